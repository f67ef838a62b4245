/** So many of something: "1 piece", "12 pieces". */
export const counted = (count: number, one: string) => `${count} ${one}${count === 1 ? '' : 's'}`
