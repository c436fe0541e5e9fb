/** Every view, and something on it that is there only once it has worked something out. */
export const VIEWS = [
  ['/', 'article', 'Rig A:'],
  ['/bench', 'region', 'Fit rules'],
  ['/tank', 'button', 'Export'],
  ['/cover', 'img', /./],
  ['/strike', 'region', 'This bite'],
  ['/pick', 'region', 'Tie this on'],
  ['/rods', 'article', 'Rod A'],
  ['/log', 'region', 'Tally'],
  ['/box', 'button', /^everything/],
  ['/bank', 'button', 'With the rigs on the sheet'],
  ['/trace', 'heading', /./],
] as const
