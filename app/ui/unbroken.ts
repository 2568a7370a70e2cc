/** @returns the sentence as it is set on a screen: a number and its per cent stay on one line */
export const unbroken = (sentence: string): string => sentence.replaceAll(/(\d) %/g, "$1\u00A0%");
