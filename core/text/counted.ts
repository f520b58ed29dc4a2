/** How many there are of something, in words: “1 promotion”, “3 promotions”. */
export const counted = (count: number, one: string, many = `${one}s`): string => `${count} ${count === 1 ? one : many}`;
