import type { Question, Said, School } from "./school";

const takenAs = (said: Said, words: string): School => ({
  ...said,
  holds: (p) => (p.taken ?? "") === words,
  make: (p) => {
    const { taken: _, ...rest } = p;
    return words === "" ? rest : { ...rest, taken: words };
  },
});

export const TAKING: Question = {
  id: "taking",
  asks: "How it is taken",
  schools: [
    takenAs(
      {
        id: "unsaid",
        name: "left unsaid",
        why: "The maker knows, and writes it on the label by hand.",
        cautious: true,
      },
      "",
    ),
    takenAs(
      {
        id: "daily",
        name: "daily through the cold season",
        why: "For those who hold that habit is half of it.",
      },
      "A spoonful a day through the cold season.",
    ),
    takenAs(
      {
        id: "first-signs",
        name: "only at first signs, then rest",
        why: "For those who keep it for when it is wanted; the log counts the days.",
      },
      "At first signs, for a few days, then rest.",
    ),
  ],
};
