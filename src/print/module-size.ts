/** A module of a code is no smaller than this, mm, so that any camera makes it out. */
export const LEAST_MODULE = 0.33;
