import type { PointModel } from '@plindo/core/page';
import type * as Leaflet from 'leaflet';
import 'leaflet';
import 'leaflet.markercluster';
import styles from 'leaflet/dist/leaflet.css' with { loader: 'text' };

/** As both say it: the plug-in adds to what Leaflet puts there, not to what a module of it exports. */
const leaflet = (globalThis as unknown as { readonly L: typeof Leaflet }).L;

/** What happens on a map. */
export interface MapEvents {
  /** Somebody chose a listing. */
  chose(point: PointModel): void;
  /** The pointer is over a listing; null when it leaves. */
  looked(point: PointModel | null): void;
  /** Somebody moved it to another part. */
  moved(): void;
}

/** Zoom levels: a map of one place begins with the first, and nobody gets closer than the second. */
const CLOSE_AT_FIRST = 13;
const CLOSEST = 18;
const ROOM_IN_PIXELS = 28;
/** Of degrees: some ten metres. */
const DECIMALS = 4;

/** Draws a map into an element, with a base map of GeoJSON and with pictures of the ground when there are any. */
export async function drawMap(
  element: HTMLElement,
  { base, tiles }: { readonly base: string | null; readonly tiles: string | null },
  events: MapEvents,
): Promise<ListingMap> {
  loadStyles(element.ownerDocument);
  const land = base === null ? null : await fetch(base).then((answer) => (answer.ok ? answer.json() : null));
  return new ListingMap(element, { land: land as GeoJSON.GeoJsonObject | null, tiles }, events);
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

/** Listings as points on a map; those that lie close together stand as one with their number. */
export class ListingMap {
  private readonly map: Leaflet.Map;
  private readonly markers: Leaflet.MarkerClusterGroup;
  private readonly byId = new Map<number, Leaflet.Marker>();
  private marked: HTMLElement | null = null;
  /** Whether it is moving because it was told to, and not by a hand. */
  private isTold = true;

  constructor(
    element: HTMLElement,
    { land, tiles }: { readonly land: GeoJSON.GeoJsonObject | null; readonly tiles: string | null },
    private readonly events: MapEvents,
  ) {
    this.map = leaflet.map(element, {
      ...{ attributionControl: false, zoomControl: false, keyboard: false, zoomSnap: 0.5, maxZoom: CLOSEST },
      // The page is scrolled by the wheel, not the map.
      scrollWheelZoom: false,
      // So is it by one finger; two move the map.
      dragging: !matchMedia('(pointer: coarse)').matches,
    });
    if (tiles) leaflet.tileLayer(tiles, { maxZoom: CLOSEST }).addTo(this.map);
    if (land) leaflet.geoJSON(land, LAND).addTo(this.map);
    this.markers = leaflet.markerClusterGroup({
      ...{ showCoverageOnHover: false, maxClusterRadius: 44, animate: false },
      iconCreateFunction: (cluster) => pointIcon('cluster', String(cluster.getChildCount())),
    });
    // Everything on it can be reached by the list beside it.
    for (const kind of [leaflet.Marker, leaflet.MarkerCluster]) kind.mergeOptions({ keyboard: false });
    this.map.addLayer(this.markers);
    this.map.on('moveend', () => {
      if (!this.isTold) this.events.moved();
      this.isTold = false;
    });
  }

  /** Shows points, and the part of the map that was chosen or all of them. */
  show(points: readonly PointModel[], box: string): void {
    this.markers.clearLayers();
    this.byId.clear();
    for (const point of points) this.byId.set(point.id, this.markerOf(point));
    this.isTold = true;
    this.map.fitBounds(box === '' ? boundsOf(points) : boundsOfBox(box), {
      ...{ animate: false, maxZoom: CLOSE_AT_FIRST },
      padding: box === '' ? [ROOM_IN_PIXELS, ROOM_IN_PIXELS] : [0, 0],
    });
    this.isTold = false;
    this.markers.addLayers([...this.byId.values()]);
  }

  /** Marks the point of a listing, or the one that it stands in with others. */
  mark(id: number | null): void {
    this.marked?.classList.remove('in-step');
    const marker = id === null ? undefined : this.byId.get(id);
    this.marked = (marker && this.markers.getVisibleParent(marker)?.getElement()) ?? null;
    this.marked?.classList.add('in-step');
  }

  zoom(steps: number): void {
    this.map.setZoom(this.map.getZoom() + steps);
  }

  /** The part that is seen, as it stands in addresses. */
  box(): string {
    const bounds = this.map.getBounds();
    const sides = [bounds.getSouth(), bounds.getWest(), bounds.getNorth(), bounds.getEast()];
    return sides.map((side) => String(Number(side.toFixed(DECIMALS)))).join(',');
  }

  remove(): void {
    this.map.remove();
  }

  private markerOf(point: PointModel): Leaflet.Marker {
    const marker = leaflet.marker([point.latitude, point.longitude], { icon: pointIcon('point', ''), keyboard: false });
    marker.bindTooltip(textOf(point.title), { direction: 'top', offset: [0, -10] });
    return marker
      .on('click', () => this.events.chose(point))
      .on('mouseover', () => this.events.looked(point))
      .on('mouseout', () => this.events.looked(null));
  }
}

/** Titles are words, whatever they look like. */
function textOf(title: string): HTMLElement {
  return Object.assign(document.createElement('span'), { textContent: title });
}

function pointIcon(className: string, text: string): Leaflet.DivIcon {
  const size = className === 'point' ? 20 : 34;
  return leaflet.divIcon({ className: `map-${className}`, html: textOf(text), iconSize: [size, size] });
}

function boundsOf(points: readonly PointModel[]): Leaflet.LatLngBounds {
  const bounds = leaflet.latLngBounds(points.map(({ latitude, longitude }) => [latitude, longitude]));
  return bounds.isValid() ? bounds : leaflet.latLngBounds([-60, -180], [80, 180]);
}

function boundsOfBox(box: string): Leaflet.LatLngBounds {
  const [south = 0, west = 0, north = 0, east = 0] = box.split(',').map(Number);
  // Over the 180th meridian a map goes on counting.
  return leaflet.latLngBounds([south, west], [north, east < west ? east + 360 : east]);
}
