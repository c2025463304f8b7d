import { boxToUrl } from '../../query/index.js';
import { nounsOf } from '../areas/area-parts.js';
import { filePath } from '../cards/value-models.js';
import type { PieceMaker } from './piece-maker.js';

export const map: PieceMaker<'map'> = {
  make({ area, height }, { areaNamed, page }) {
    const found = areaNamed(area);
    if (!found) return null;
    const { form, name, parts } = found;
    const { points, total } = parts.points();
    if (total === 0) return null;
    const { words } = page.context.formats;
    const label = words.say('map.label', { ...nounsOf(parts.design, words), count: total });
    const { baseMap, mapTiles = null } = page.site;
    return {
      ...{ type: 'map', form, name: name('map'), height, points, total, label },
      box: parts.box ? boxToUrl(parts.box) : '',
      base: baseMap ? filePath(baseMap) : null,
      tiles: mapTiles,
    };
  },
};
