import { Graph, layout } from '@dagrejs/dagre';
import type { CategorySetSummary, KindSummary } from '@plindo/core/contract';
import type { Field, Link } from '@plindo/core/structure';
import { fieldByKey } from '@plindo/core/structure';

/** A box of the map: a kind with its fields, or a category set. Places are of its top left corner, in pixels. */
export interface MapBox {
  readonly id: string;
  readonly link: readonly (string | number)[];
  readonly icon: string;
  readonly colour: string;
  readonly label: string;
  readonly about: string;
  readonly fields: readonly Field[];
  readonly more: number;
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** A line between two boxes: a link, or the use of a category set. */
export interface MapLine {
  readonly id: string;
  readonly kind: 'link' | 'categories';
  /** An SVG path. */
  readonly path: string;
  /** What stands at the middle of the line. */
  readonly label: string;
  readonly labelX: number;
  readonly labelY: number;
  /** Where it is changed. */
  readonly link: readonly (string | number)[];
  readonly query: Readonly<Record<string, string>>;
}

export interface StructureMap {
  readonly boxes: readonly MapBox[];
  readonly lines: readonly MapLine[];
  readonly width: number;
  readonly height: number;
}

const BOX_WIDTH = 232;
const HEAD_HEIGHT = 62;
const FIELD_HEIGHT = 26;
const MOST_FIELDS = 10;
const LABEL_CHARACTER = 7.2;
const MARGIN = 24;

/** Lays out kinds, category sets and what connects them. */
export function structureMap(
  kinds: readonly KindSummary[],
  sets: readonly CategorySetSummary[],
  links: readonly Link[],
): StructureMap {
  const boxes = [...kinds.map(boxOfKind), ...sets.map(boxOfSet)];
  const lines = [...links.flatMap((link) => lineOfLink(link, kinds)), ...kinds.flatMap(linesToSets)];
  const graph = new Graph({ multigraph: true });
  graph.setGraph({ rankdir: 'LR', nodesep: 36, ranksep: 70, edgesep: 24, marginx: MARGIN, marginy: MARGIN });
  graph.setDefaultEdgeLabel(() => ({}));
  for (const { id, width, height } of boxes) graph.setNode(id, { width, height });
  for (const { id, from, to, label } of lines) {
    graph.setEdge(from, to, { width: label.length * LABEL_CHARACTER + 16, height: 26, labelpos: 'c' }, id);
  }
  layout(graph);
  const { width = 0, height = 0 } = graph.graph() as { width?: number; height?: number };
  return {
    boxes: boxes.map((box) => {
      const { x, y } = graph.node(box.id) as Point;
      return { ...box, x: x - box.width / 2, y: y - box.height / 2 };
    }),
    lines: lines.map(({ from, to, ...line }) => {
      const laid = graph.edge(from, to, line.id) as { points: readonly Point[] } & Point;
      return { ...line, path: pathThrough(laid.points), labelX: laid.x, labelY: laid.y };
    }),
    width,
    height,
  };
}

interface Point {
  readonly x: number;
  readonly y: number;
}

type Box = Omit<MapBox, 'x' | 'y'>;
type Line = Omit<MapLine, 'path' | 'labelX' | 'labelY'> & { readonly from: string; readonly to: string };

function boxOfKind({ kind, counts }: KindSummary): Box {
  const fields = kind.fields.filter(({ type }) => type !== 'link').slice(0, MOST_FIELDS);
  const more = kind.fields.filter(({ type }) => type !== 'link').length - fields.length;
  const rows = fields.length + (more > 0 ? 1 : 0);
  const live = `${counts.live} live${kind.putAside ? ', put aside' : ''}`;
  return {
    id: `kind-${kind.id}`,
    link: ['/shape', kind.id],
    icon: kind.icon || 'category',
    colour: kind.colour,
    label: kind.many,
    about: live,
    fields,
    more,
    width: BOX_WIDTH,
    height: HEAD_HEIGHT + rows * FIELD_HEIGHT + (rows > 0 ? 10 : 0),
  };
}

function boxOfSet({ set }: CategorySetSummary): Box {
  const about = set.categories.length === 1 ? 'one category' : `${set.categories.length} categories`;
  const link = ['/shape/categories', set.id];
  const size = { width: BOX_WIDTH, height: HEAD_HEIGHT };
  return {
    id: `set-${set.id}`,
    link,
    icon: 'account_tree',
    colour: '',
    label: set.label,
    about,
    fields: [],
    more: 0,
    ...size,
  };
}

/** "Lies in · one … Berths · many": the labels of both ends, with how many each holds. */
function lineOfLink({ id, a, b }: Link, kinds: readonly KindSummary[]): Line[] {
  const ends = [a, b].map(({ kindId, field, many }) => {
    const kind = kinds.find((one) => one.kind.id === kindId)?.kind;
    return { label: (kind && fieldByKey(kind, field)?.label) ?? field, many };
  });
  const label = ends.map((end) => `${end.label} (${end.many ? 'many' : 'one'})`).join(' · ');
  const query = { openField: a.field };
  const line = { id: `link-${id}`, kind: 'link' as const, label, link: ['/shape', a.kindId], query };
  return [{ ...line, from: `kind-${a.kindId}`, to: `kind-${b.kindId}` }];
}

function linesToSets({ kind }: KindSummary): Line[] {
  return kind.fields
    .filter(({ type, settings }) => type === 'categories' && settings.set !== undefined)
    .map(({ key, label, settings }) => ({
      id: `use-${kind.id}-${key}`,
      kind: 'categories' as const,
      label,
      from: `kind-${kind.id}`,
      to: `set-${settings.set}`,
      link: ['/shape', kind.id],
      query: { openField: key },
    }));
}

/** A smooth line through the points of the layout. */
function pathThrough(points: readonly Point[]): string {
  const [first, ...rest] = points;
  if (!first) return '';
  const parts = [`M ${first.x} ${first.y}`];
  rest.forEach((point, at) => {
    const next = rest[at + 1];
    if (!next) parts.push(`L ${point.x} ${point.y}`);
    else parts.push(`Q ${point.x} ${point.y} ${(point.x + next.x) / 2} ${(point.y + next.y) / 2}`);
  });
  return parts.join(' ');
}
