/**
 * How many of so many drawn cases are tried: a third each time, all of them with JOLLY_WHOLE=1, by hand. The first cases are the same ones either way,
 * so that what fails here fails there.
 */
export const share = (all: number): number => (process.env["JOLLY_WHOLE"] === "1" ? all : Math.ceil(all / 3));
