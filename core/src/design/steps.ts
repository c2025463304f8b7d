/** Where something stands in a design: property names, and positions in lists. */
export type DesignPath = readonly (string | number)[];

/**
 * One small change of a design. Each can be taken back, so that designers undo and redo step by step; what a step did is
 * said by its words.
 */
export type DesignStep =
  | { readonly act: 'add' | 'remove'; readonly at: DesignPath; readonly item: unknown; readonly words: string }
  | { readonly act: 'move'; readonly from: DesignPath; readonly to: DesignPath; readonly words: string }
  | {
      readonly act: 'set';
      readonly at: DesignPath;
      readonly before: unknown;
      readonly after: unknown;
      readonly words: string;
    };

/** A design after a step; the design itself stays as it is. Of a move, `to` is where the thing stands afterwards. */
export function afterStep<Design>(design: Design, step: DesignStep): Design {
  switch (step.act) {
    case 'add':
      return inserted(design, step.at, step.item);
    case 'remove':
      return taken(design, step.at);
    case 'move':
      return inserted(taken(design, step.from), step.to, itemAt(design, step.from));
    case 'set':
      return changedAt(design, step.at, () => step.after);
  }
}

/** The step that takes a step back. */
export function reversed(step: DesignStep): DesignStep {
  switch (step.act) {
    case 'add':
      return { ...step, act: 'remove' };
    case 'remove':
      return { ...step, act: 'add' };
    case 'move':
      return { ...step, from: step.to, to: step.from };
    case 'set':
      return { ...step, before: step.after, after: step.before };
  }
}

/** What stands at a path; undefined where there is nothing. */
export function itemAt(design: unknown, path: DesignPath): unknown {
  return path.reduce<unknown>((part, key) => (part as Record<string | number, unknown> | undefined)?.[key], design);
}

function inserted<Design>(design: Design, path: DesignPath, item: unknown): Design {
  return changedList(design, path, (list, at) => [...list.slice(0, at), item, ...list.slice(at)]);
}

function taken<Design>(design: Design, path: DesignPath): Design {
  return changedList(design, path, (list, at) => list.filter((_, other) => other !== at));
}

function changedList<Design>(
  design: Design,
  path: DesignPath,
  change: (list: readonly unknown[], at: number) => readonly unknown[],
): Design {
  const at = Number(path.at(-1));
  return changedAt(design, path.slice(0, -1), (list) => change(list as readonly unknown[], at));
}

function changedAt<Design>(design: Design, path: DesignPath, change: (part: unknown) => unknown): Design {
  const [key, ...rest] = path;
  if (key === undefined) return change(design) as Design;
  if (Array.isArray(design)) {
    return design.map((part: unknown, at) => (at === key ? changedAt(part, rest, change) : part)) as Design;
  }
  const part = (design as Record<string | number, unknown>)[key];
  return { ...design, [key]: changedAt(part, rest, change) };
}
