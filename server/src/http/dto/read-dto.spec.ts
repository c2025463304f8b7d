import type { Issue, Refusal } from '@plindo/core/values';
import { BatchDto } from './dtos.js';
import { readDto, readLongDto } from './read-dto.js';

const partsOf = (count: number): { id: unknown; input: Record<string, unknown> }[] =>
  Array.from({ length: count }, (_, at) => ({ id: at + 1, input: { title: `Boat ${at}` } }));

async function told(work: () => unknown): Promise<string[]> {
  try {
    await work();
    return [];
  } catch (error) {
    return (error as Refusal).issues.map(({ field = '', message }: Issue) => `${field}: ${message}`).sort();
  }
}

describe('A request with thousands of items', () => {
  it('is read as a short one is, and others get their turn meanwhile', async () => {
    let turns = 0;
    const turn = setInterval(() => turns++, 0);
    const read = await readLongDto(BatchDto, { parts: partsOf(5000) });
    clearInterval(turn);
    expect(turns).toBeGreaterThan(5);
    expect(read).toEqual(readDto(BatchDto, { parts: partsOf(5000) }));
    expect(read.parts[4999]!.input.title).toBe('Boat 4999');
  });

  it('is refused with the same sentences wherever the fault is', async () => {
    const wrongId = partsOf(300).map((part, at) => (at === 250 ? { ...part, id: 'x' } : part));
    const wrongTitle = partsOf(300).map((part, at) => (at === 299 ? { ...part, input: { title: 7 } } : part));
    const unknown = partsOf(300).map((part, at) => (at === 120 ? { ...part, more: 1 } : part));
    const inputs = [
      { parts: wrongId },
      { parts: wrongTitle, categories: 3 },
      { parts: unknown },
      { parts: partsOf(20_001) },
    ];
    for (const input of inputs) {
      const ours = await told(() => readLongDto(BatchDto, input));
      expect(ours.length).toBeGreaterThan(1);
      expect(ours).toEqual(await told(() => readDto(BatchDto, input)));
    }
    expect(await told(() => readLongDto(BatchDto, { parts: wrongId }))).toContain(
      'parts.250.id: The request could not be read: id must be an integer number',
    );
  });
});
