/** Noise of a stand-in, the same from the same seed: bell-shaped, of standard deviation one. */
export function bell(seed: number): () => number {
  let at = seed >>> 0;
  const next = (): number => {
    at = (Math.imul(at, 1_664_525) + 1_013_904_223) >>> 0;
    return (at + 1) / (2 ** 32 + 1);
  };
  for (let i = 0; i < 8; i++) next();
  return () => Math.sqrt(-2 * Math.log(next())) * Math.cos(2 * Math.PI * next());
}
