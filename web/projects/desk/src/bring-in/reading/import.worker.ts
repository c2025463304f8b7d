import { ImportDesk } from './import-desk';
import type { Ask } from './import-protocol';

const desk = new ImportDesk();

addEventListener('message', ({ data }: MessageEvent<{ id: number; ask: Ask }>) => {
  void desk.answer(data.id, data.ask).then((answer) => postMessage(answer));
});
