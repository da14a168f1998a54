/*
 * When a plant is picked or dug in a temperate garden or hedge north of the equator, first month to last. General knowledge, unchecked: a wide window,
 * since a hill is weeks behind a valley; what a household has seen for itself stands before it.
 */
type Months = readonly [first: number, last: number];

const PICKED: ReadonlyMap<string, Months> = new Map<string, Months>(
  Object.entries({
    "1-12": "rosemary bay thyme ground-ivy",
    "2-4": "birch-bark violet cowslip",
    "3-5": "wild-garlic ramps cleavers chickweed nettle coltsfoot-leaf birch-leaf hawthorn-leaf",
    "4-5": "dandelion-flower conifer-tips",
    "4-6": "dandelion-leaf plantain-leaf",
    "5-6": "elder-flower hawthorn-flower red-clover sweet-clover",
    "5-9":
      "parsley dill coriander-leaf lovage fennel-leaf spearmint peppermint lemon-balm sage oregano marjoram savory lemon-thyme catnip rose-petal raspberry-leaf strawberry-leaf blackberry-leaf blackcurrant-leaf borage-leaf",
    "6-7": "lime-blossom st-johns-wort strawberry honeysuckle jasmine cherry tart-cherry",
    "6-8":
      "hyssop lavender chamomile yarrow meadowsweet calendula mullein-flower mullein-leaf self-heal agrimony motherwort skullcap vervain feverfew bee-balm mountain-mint lemon-verbena horehound damiana eyebright wood-betony ladys-mantle redcurrant blackcurrant gooseberry raspberry milky-oats oatstraw marshmallow-leaf",
    "6-10": "basil holy-basil",
    "7-8": "bilberry blueberry apricot mulberry",
    "7-9":
      "goldenrod mugwort wormwood boneset passionflower echinacea-flower nasturtium-flower nasturtium-leaf plum peach tomato chilli jalapeno serrano thai-chilli",
    "8-9": "elderberry blackberry rowan damson corn-silk hops fennel-seed caraway coriander-seed",
    "8-10":
      "cayenne habanero sweet-pepper poblano apple pear crab-apple sea-buckthorn fig garlic onion red-onion shallot",
    "9-10": "hawthorn-berry sloe aronia quince grape cranberry lingonberry juniper autumn-olive",
    "9-11": "rose-hip beetroot carrot celeriac fennel-bulb celery",
    "10-3":
      "horseradish dandelion-root burdock-root elecampane marshmallow-root angelica-root valerian echinacea-root chicory-root comfrey-root yellow-dock leek",
    "11-2": "lemon orange seville-orange mandarin kumquat grapefruit lime",
    "3-4": "willow-bark oak-bark wild-cherry-bark cramp-bark barberry-bark slippery-elm",
  }).flatMap(([span, ids]) => {
    const [first, last] = span.split("-").map(Number) as [number, number];
    return ids.split(" ").map((id) => [id, [first, last]] as const);
  }),
);

/** The time zones of households south of the equator, by the beginnings of their names. */
const SOUTH =
  /^(?:Australia|Antarctica|Pacific\/(?:Auckland|Chatham|Fiji|Tongatapu|Apia|Norfolk|Noumea|Port_Moresby)|Africa\/(?:Johannesburg|Harare|Maputo|Windhoek|Gaborone|Lusaka|Maseru|Mbabane|Blantyre|Luanda|Lubumbashi|Dar_es_Salaam)|America\/(?:Argentina|Buenos_Aires|Santiago|Punta_Arenas|Montevideo|Asuncion|Sao_Paulo|La_Paz|Lima|Campo_Grande|Cuiaba|Bahia)|Indian\/(?:Antananarivo|Mauritius|Reunion)|Atlantic\/(?:Stanley|South_Georgia))/;
export type Hemisphere = "north" | "south";
export const hemisphereOf = (zone: string): Hemisphere => (SOUTH.test(zone) ? "south" : "north");

const HALF_YEAR = 6;
const onward = (month: number, by: number): number => ((month - 1 + by) % 12) + 1;

/** The months a plant is picked or dug in, 1 to 12, where that is known of it. */
export function monthsOf(material: string, where: Hemisphere): Months | undefined {
  const m = PICKED.get(material);
  if (!m || where === "north" || (m[0] === 1 && m[1] === 12)) return m;
  return [onward(m[0], HALF_YEAR), onward(m[1], HALF_YEAR)];
}

/** Whether a month is among them; a span may go over the turn of the year. */
export const isIn = ([first, last]: Months, month: number): boolean =>
  first <= last ? month >= first && month <= last : month >= first || month <= last;

const NAMES = ["January", "February", "March", "April", "May", "June", "July", "August", "September", "October", "November", "December"]; // prettier-ignore
export function monthsWords([first, last]: Months): string {
  if (first === 1 && last === 12) return "all year";
  return first === last ? NAMES[first - 1]! : `${NAMES[first - 1]} to ${NAMES[last - 1]}`;
}
/** Every plant a month is known of. */
export const KNOWN_MONTHS: readonly string[] = [...PICKED.keys()];
