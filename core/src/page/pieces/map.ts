import { boxToUrl } from '../../query/index.js';
import { inSentence } from '../areas/area-parts.js';
import { filePath } from '../cards/value-models.js';
import type { PieceMaker } from './piece-maker.js';

export const map: PieceMaker<'map'> = {
  make({ area, height }, { areaNamed, page }) {
    const found = areaNamed(area);
    if (!found) return null;
    const { form, name, parts } = found;
    const { points, total } = parts.points();
    if (total === 0) return null;
    const { baseMap, mapTiles = null } = page.site;
    return {
      ...{ type: 'map', form, name: name('map'), height, points, total, many: inSentence(parts.design.many) },
      box: parts.box ? boxToUrl(parts.box) : '',
      base: baseMap ? filePath(baseMap) : null,
      tiles: mapTiles,
    };
  },
};
