/*
 * Water on a stove: how it boils by height above the sea, and how it steams.
 */

/** Pressure at a height, hPa: the standard atmosphere's troposphere (ISO 2533). */
const pressureAt = (metres: number): number => 1013.25 * (1 - 2.25577e-5 * metres) ** 5.25588;

/** Magnus form over water with the constants of Alduchov and Eskridge (1996): hPa, °C. */
const [MAGNUS_HPA, MAGNUS_A, MAGNUS_B] = [6.1094, 17.625, 243.04];
/** The Magnus form runs a little low at a boil; scaled so that water boils at 100 °C on the shore. */
const AT_A_BOIL = 1013.25 / (MAGNUS_HPA * Math.exp((MAGNUS_A * 100) / (MAGNUS_B + 100)));

/** Pressure of water's vapour over itself, Pa at °C. */
export const vapourPa = (celsius: number): number =>
  100 * MAGNUS_HPA * Math.exp((MAGNUS_A * celsius) / (MAGNUS_B + celsius));

/** °C at which water boils so many metres above the sea: 100 on the shore, about 95 at 1,500 m. */
export function boilsAt(metres: number): number {
  const x = Math.log(pressureAt(metres) / (MAGNUS_HPA * AT_A_BOIL));
  return (MAGNUS_B * x) / (MAGNUS_A - x);
}

/** Under this many degrees of its boiling point it simmers: bubbles rise, nothing rolls. */
const SIMMERS_WITHIN = 6;
/** A dial or a probe at home is a degree or two out. */
const THERMOMETER = 1.5;

/** Whether a temperature shows a boil at this height. */
export const isBoil = (celsius: number, metres: number): boolean => celsius >= boilsAt(metres) - THERMOMETER;
/** Whether it shows at least a simmer. */
export const isSimmer = (celsius: number, metres: number): boolean =>
  celsius >= boilsAt(metres) - SIMMERS_WITHIN - THERMOMETER;
