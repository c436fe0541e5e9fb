/** This month, 1 to 12: a sheet is for now. */
export const monthNow = (): number => new Date().getMonth() + 1
