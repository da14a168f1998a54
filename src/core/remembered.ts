/**
 * What is worked out of a text and nothing else, worked out once: a page asks the same of the same few words at every keystroke.
 * @param most texts held; past so many they are no household's own words, and it begins anew
 * @param longest longer texts are worked out each time
 */
export function remembered<T>(of: (text: string) => T, most = 2000, longest = 300): (text: string) => T {
  const known = new Map<string, T>();
  return (text) => {
    const have = known.get(text);
    if (have !== undefined) return have;
    const made = of(text);
    if (text.length > longest) return made;
    if (known.size >= most) known.clear();
    known.set(text, made);
    return made;
  };
}
