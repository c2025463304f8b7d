import { portraitDrawing } from '@plindo/core/site-starters';
import sharp from 'sharp';

/** A drawn portrait of somebody who is nobody, as PNG bytes; the same number gives the same one. */
export function drawPortrait(number: number): Promise<Buffer> {
  return sharp(Buffer.from(portraitDrawing(number).svg))
    .png({ compressionLevel: 1 })
    .toBuffer();
}
