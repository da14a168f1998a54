import type { Chance } from "./chance";

/** mL used on days that follow each other, by a day of the year that goes on past its end. A law begins anew at every run. */
export type Use = (day: number) => number;
/** How a household uses a remedy: drawn once, then run as often as wanted. */
export type Law = (c: Chance) => (run: Chance) => Use;

/** A day's part of the year's swing, the middle of January highest. */
const season = (day: number, swing: number): number =>
  1 + swing * Math.cos(((day - 15) / 365.25) * 2 * Math.PI);

/** Colds that come in runs with the winter, and a habit beneath them. */
const colds: Law = (c) => {
  const [often, winter] = [c.from(0.04, 0.3), c.from(0, 0.8)];
  const [habit, spoon, people] = [c.from(0, 0.35), c.from(5, 18), 1 + Math.floor(c.next() * 3)];
  return (run) => {
    let [ill, much] = [0, 0];
    return (day) => {
      const s = season(day, winter);
      if (ill === 0 && run.next() < (often * s) / 7)
        [ill, much] = [3 + Math.floor(run.next() * 10), run.from(0.5, 3)];
      const sick = ill > 0 ? Math.round(much * people * run.from(0.3, 1.7)) : 0;
      const spoons = sick + (run.next() < habit * s ? 1 : 0);
      if (ill > 0) ill -= 1;
      return Array.from({ length: spoons }, () => spoon * run.from(0.6, 1.5)).reduce((n, x) => n + x, 0);
    };
  };
};
/** Spoons a day, every day but those that are forgotten. */
const daily: Law = (c) => {
  const [spoon, forgets, hand] = [c.from(4, 30), c.from(0.02, 0.3), c.from(0.05, 0.3)];
  return (run) => () => (run.next() < forgets ? 0 : spoon * run.from(1 - hand, 1 + hand));
};
/** On certain days of the week, now and then left out. */
const weekly: Law = (c) => {
  const on = new Set([0, 1, 2, 3, 4, 5, 6].filter(() => c.next() < 0.4));
  if (on.size === 0) on.add(6);
  const [spoon, forgets] = [c.from(10, 45), c.from(0.02, 0.35)];
  return (run) => (day) => (on.has(day % 7) && run.next() > forgets ? spoon * run.from(0.8, 1.25) : 0);
};
/** In the kitchen: by chance, a good splash. */
const cooked: Law = (c) => {
  const [often, splash] = [c.from(0.5, 4), c.from(15, 50)];
  return (run) => () => (run.next() < often / 7 ? splash * run.from(0.5, 1.6) : 0);
};
/** A week or three of a spoon a day, then a pause; and again. */
const onAndOff: Law = (c) => {
  const [on, off, spoon] = [c.from(6, 21), c.from(8, 40), c.from(5, 20)];
  return (run) => {
    let [left, taking] = [Math.ceil(run.from(0, on + off)), run.next() < on / (on + off)];
    return () => {
      if (left-- <= 0) {
        taking = !taking;
        left = Math.round((taking ? on : off) * run.from(0.6, 1.4));
      }
      return taking && run.next() > 0.08 ? spoon * run.from(0.8, 1.2) : 0;
    };
  };
};
/** Nothing for weeks, then much of it: a guest who likes it, a punch, a bad week. */
const seldom: Law = (c) => {
  const [often, most] = [c.from(0.15, 0.5), c.from(40, 160)];
  return (run) => {
    let left = 0;
    return () => {
      if (left === 0 && run.next() < often / 7) left = 1 + Math.floor(run.next() * 4);
      if (left === 0) return 0;
      left -= 1;
      return (most * run.from(0.4, 1.2)) / 3;
    };
  };
};

export const LAWS = { colds, daily, weekly, cooked, onAndOff, seldom } as const;
