/** A name as a file is called anywhere: small letters of the alphabet, figures and dashes. */
export const fileName = (name: string): string =>
  name
    .normalize("NFD")
    .replace(/[^\w\s-]/g, "")
    .trim()
    .toLowerCase()
    .replace(/\s+/g, "-")
    .slice(0, 60) || "recipe";
