/** "1 page", "3 pages": for words that take an "s". */
export const plural = (count: number, word: string): string => `${count} ${word}${count === 1 ? '' : 's'}`;
