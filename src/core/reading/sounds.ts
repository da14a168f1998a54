/** What a word sounds like: letters that are said alike are one, vowels and doubled letters go. */
export function soundOf(word: string): string {
  return word
    .replace(/ph/g, "f")
    .replace(/gh|wh/g, "h")
    .replace(/c(?=[eiy])/g, "s")
    .replace(/[ckq]+/g, "k")
    .replace(/[sz]+/g, "s")
    .replace(/(?!^)[aeiouyhw]/g, "")
    .replace(/(.)\1+/g, "$1");
}
