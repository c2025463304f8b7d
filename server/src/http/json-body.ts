import { Refusal } from '@plindo/core/values';
import type { RequestHandler } from 'express';
import express from 'express';

/** Nothing that Plindo keeps lies as deep as this; what does costs more to look at than it can be worth. */
const DEEPEST = 32;
/** What the language does with any object goes by these names; no key of a field or setting can be one of them. */
const LANGUAGE_NAMES = ['__proto__', 'toString', 'valueOf'];

/** Reads the JSON of a request: refused when it is larger than the limit, or lies in itself too deep. */
export function jsonBody(limit: string): RequestHandler[] {
  return [
    express.json({ limit }),
    (request, _response, next) => {
      refuseDeep(request.body);
      next();
    },
  ];
}

/** Refuses JSON that lies in itself deeper than 32 levels, or names what belongs to the language and not to it. */
export function refuseDeep(json: unknown): void {
  let level: unknown[] = [json];
  for (let depth = 0; level.length > 0; depth++) {
    if (depth > DEEPEST) {
      throw Refusal.of('request.malformed', { reason: `it lies in itself more than ${DEEPEST} levels deep.` });
    }
    const below: unknown[] = [];
    for (const one of level) {
      if (typeof one !== 'object' || one === null) continue;
      const name = LANGUAGE_NAMES.find((own) => Object.hasOwn(one, own));
      if (name) throw Refusal.of('request.malformed', { reason: `no property can be called “${name}”.` });
      for (const part of Object.values(one)) if (typeof part === 'object' && part !== null) below.push(part);
    }
    level = below;
  }
}
