const numbers = ['no', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten'];

/** A number as it is read in a sentence: in words up to ten. */
export const inWords = (count: number) => numbers[count] ?? String(count);

/** Words as a sentence begins with them. */
export const capital = (words: string) => words[0]!.toUpperCase() + words.slice(1);
