/** Note values with their length in ticks, 960 to the quarter, as the server counts them. */
export const noteValues: [ticks: number, name: string][] = [
  [1920, 'half'],
  [1440, 'dotted quarter'],
  [960, 'quarter'],
  [720, 'dotted eighth'],
  [640, 'quarter triplet'],
  [480, 'eighth'],
  [320, 'eighth triplet'],
  [240, 'sixteenth'],
  [160, 'sixteenth triplet'],
  [120, 'thirty-second'],
]
