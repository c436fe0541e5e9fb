/** Fish that are drawn for single bites to be looked at, the same for every rig. */
export const BITES_TO_SHOW = 400
