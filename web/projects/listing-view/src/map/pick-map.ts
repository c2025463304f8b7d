import type { Point } from '@plindo/core/values';
import { groundMap, leaflet, pointIcon } from './ground-map';

/** Draws a map into an element, on which a place is picked by a click or by dragging the point. */
export async function pickOnMap(
  element: HTMLElement,
  ground: { readonly base: string | null; readonly tiles: string | null },
  at: Point | null,
  picked: (point: Point) => void,
): Promise<void> {
  const { map, bounds } = await groundMap(element, ground, { keyboard: true });
  const marker = leaflet.marker([0, 0], { icon: pointIcon('point', ''), draggable: true, keyboard: false });
  const put = (latitude: number, longitude: number): void => {
    marker.setLatLng([latitude, longitude]).addTo(map);
  };
  if (at && Number.isFinite(at.latitude) && Number.isFinite(at.longitude)) {
    put(at.latitude, at.longitude);
    map.setView([at.latitude, at.longitude], CLOSE);
  } else map.fitBounds(bounds);
  map.on('click', ({ latlng }) => {
    put(latlng.lat, latlng.lng);
    picked({ latitude: latlng.lat, longitude: latlng.lng });
  });
  marker.on('dragend', () => {
    const { lat, lng } = marker.getLatLng();
    picked({ latitude: lat, longitude: lng });
  });
}

const CLOSE = 13;
