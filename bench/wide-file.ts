/** A stretch of numbers that look drawn, the same each time: Knuth's multiplicative hashing. */
const drawn = (at: number, most: number): number => ((at * 2654435761) >>> 0) % most;
const two = (number: number): string => String(number).padStart(2, '0');

const TYPES = ['Quay', 'Buoy', 'Pontoon', 'Slip'];
const TOWNS = ['Arden', 'Bex', 'Corrie', 'Dunmouth', 'Eskley', 'Farrow'];
const FACILITIES = ['Water, Power', 'Fuel', 'Power, Fuel, Wifi'];
const HEADER = 'Name;Town;Type;Facilities;Price;Length;Opened;Checked;Lat;Lng;Visitors;Open;Web;Phone;Notes';

/** A file of n rows and 15 columns of all sorts, written as it is done in Germany, semicolons between them. */
export function wideFile(n: number): string {
  const row = (at: number): string => {
    const place = [`${38 + drawn(at, 9)},${drawn(at, 999_999)}`, `-9,${drawn(at, 999_999)}`];
    return [
      ...[`Berth ${at} at ${TOWNS[drawn(at, 6)]}`, TOWNS[drawn(at, 6)], TYPES[drawn(at, 4)], FACILITIES[at % 3]],
      ...[`${3 + drawn(at, 90)},${two(drawn(at, 100))} €`, `${4 + drawn(at, 30)} m`],
      `${two(1 + drawn(at, 28))}.${two(1 + drawn(at, 12))}.${1990 + drawn(at, 34)}`,
      `2024-03-${two(1 + drawn(at, 28))}T10:00:00+02:00`,
      ...[...place, `${1 + drawn(at, 9)}.${100 + drawn(at, 899)}`, at % 2 ? 'ja' : 'nein'],
      ...[`https://example.org/berth/${at}`, `+44 20 ${1000 + drawn(at, 8999)} ${100 + drawn(at, 899)}`],
      `A note about the berth number ${at}, quiet`,
    ].join(';');
  };
  return [HEADER, ...Array.from({ length: n }, (_, at) => row(at))].join('\n');
}
