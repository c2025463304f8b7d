import type { PointModel } from '@plindo/core/page';
import type * as Leaflet from 'leaflet';
import type { Ground } from './ground-map';
import { WORLD, groundMap, leaflet, pointIcon, textOf } from './ground-map';

/** What happens on a map. */
export interface MapEvents {
  /** Somebody chose a listing. */
  chose(point: PointModel): void;
  /** The pointer is over a listing; null when it leaves. */
  looked(point: PointModel | null): void;
  /** Somebody moved it to another part. */
  moved(): void;
}

/** A map of one place begins with this level of zoom. */
const CLOSE_AT_FIRST = 13;
const ROOM_IN_PIXELS = 28;
/** Of degrees: some ten metres. */
const DECIMALS = 4;

/** Draws a map into an element, with a base map of GeoJSON and with pictures of the ground when there are any. */
export async function drawMap(element: HTMLElement, ground: Ground, events: MapEvents): Promise<ListingMap> {
  const { map } = await groundMap(element, ground, {});
  return new ListingMap(map, events);
}

/** Listings as points on a map; those that lie close together stand as one with their number. */
export class ListingMap {
  private readonly markers: Leaflet.MarkerClusterGroup;
  private readonly byId = new Map<number, Leaflet.Marker>();
  private marked: HTMLElement | null = null;
  /** Whether it is moving because it was told to, and not by a hand. */
  private isTold = true;

  constructor(
    private readonly map: Leaflet.Map,
    private readonly events: MapEvents,
  ) {
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

function boundsOf(points: readonly PointModel[]): Leaflet.LatLngBounds {
  const bounds = leaflet.latLngBounds(points.map(({ latitude, longitude }) => [latitude, longitude]));
  return bounds.isValid() ? bounds : WORLD;
}

function boundsOfBox(box: string): Leaflet.LatLngBounds {
  const [south = 0, west = 0, north = 0, east = 0] = box.split(',').map(Number);
  // Over the 180th meridian a map goes on counting.
  return leaflet.latLngBounds([south, west], [north, east < west ? east + 360 : east]);
}
