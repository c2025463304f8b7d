import type * as Leaflet from 'leaflet';
import 'leaflet';
import 'leaflet.markercluster';
import styles from 'leaflet/dist/leaflet.css' with { loader: 'text' };

/** As both say it: the plug-in adds to what Leaflet puts there, not to what a module of it exports. */
export const leaflet = (globalThis as unknown as { readonly L: typeof Leaflet }).L;

/** Nobody gets closer than this level of zoom. */
export const CLOSEST = 18;

/** What lies on the ground of a map: the address of a base map of GeoJSON, and of pictures; null for none. */
export interface Ground {
  readonly base: string | null;
  readonly tiles: string | null;
}

/** Draws the ground of a map into an element; `bounds` are those of the base map, else of the world. */
export async function groundMap(
  element: HTMLElement,
  { base, tiles }: Ground,
  options: Leaflet.MapOptions,
): Promise<{ readonly map: Leaflet.Map; readonly bounds: Leaflet.LatLngBounds }> {
  loadStyles(element.ownerDocument);
  const land = base === null ? null : await fetch(base).then((answer) => (answer.ok ? answer.json() : null));
  const map = leaflet.map(element, {
    ...{ attributionControl: false, zoomControl: false, keyboard: false, zoomSnap: 0.5, maxZoom: CLOSEST },
    // The page is scrolled by the wheel, not the map.
    scrollWheelZoom: false,
    // So is it by one finger; two move the map.
    dragging: !matchMedia('(pointer: coarse)').matches,
    ...options,
  });
  if (tiles) leaflet.tileLayer(tiles, { maxZoom: CLOSEST }).addTo(map);
  const drawn = land ? leaflet.geoJSON(land as GeoJSON.GeoJsonObject, LAND).addTo(map) : null;
  return { map, bounds: drawn?.getBounds().isValid() ? drawn.getBounds() : WORLD };
}

export const WORLD = leaflet.latLngBounds([-60, -180], [80, 180]);

/** A point of a map as the sheet draws it; its words are words, whatever they look like. */
export function pointIcon(className: string, text: string): Leaflet.DivIcon {
  const size = className === 'point' ? 20 : 34;
  return leaflet.divIcon({ className: `map-${className}`, html: textOf(text), iconSize: [size, size] });
}

/** Titles are words, whatever they look like. */
export function textOf(title: string): HTMLElement {
  return Object.assign(document.createElement('span'), { textContent: title });
}

/** Once a document; what Leaflet needs to be laid out is of no use to pages without a map. */
function loadStyles(document: Document): void {
  const isLeaflets = ({ cssRules }: CSSStyleSheet): boolean => cssRules[0]?.cssText.startsWith('.leaflet-') ?? false;
  if (document.adoptedStyleSheets.some(isLeaflets)) return;
  const sheet = new CSSStyleSheet();
  sheet.replaceSync(styles);
  document.adoptedStyleSheets = [sheet, ...document.adoptedStyleSheets];
}

/** Points of a base map are left out: the points on the map are the listings. */
const LAND: Leaflet.GeoJSONOptions = {
  interactive: false,
  filter: ({ geometry }) => !/Point$/.test(geometry.type),
  style: () => ({ className: 'land' }),
};
