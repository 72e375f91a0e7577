/** Malformed requests to every route that takes a body, made by breaking whole ones in seeded ways. */
import fc from 'fast-check';

export interface Target {
  readonly name: string;
  readonly method: 'POST' | 'PUT' | 'PATCH';
  readonly path: string;
  readonly params: Readonly<Record<string, string>>;
  readonly who: 'family' | 'teacher';
  /** A body that the route would accept, or nothing for routes without one. */
  readonly body: unknown;
}

export interface Malformed {
  readonly target: Target;
  /** The text that is sent; never a whole, acceptable body. */
  readonly raw: string;
}

const rubbish = fc.oneof(
  fc.string({ maxLength: 40 }),
  fc.integer(),
  fc.double(),
  fc.boolean(),
  fc.constant(null),
  fc.array(fc.integer(), { maxLength: 4 }),
  fc.dictionary(fc.string({ maxLength: 8 }), fc.string({ maxLength: 8 }), { maxKeys: 4 }),
  fc.constantFrom("'; DROP TABLE reports; --", '\u0000', '💥'.repeat(50), '__proto__', '../../etc/passwd', 1e308, -0, 'x'.repeat(5000)),
);

type Json = null | boolean | number | string | Json[] | { [key: string]: Json };

function pathsOf(value: Json, path: (string | number)[] = []): (string | number)[][] {
  if (typeof value !== 'object' || value === null) return [path];
  const inner = Array.isArray(value)
    ? value.flatMap((item, index) => pathsOf(item, [...path, index]))
    : Object.entries(value).flatMap(([key, item]) => pathsOf(item, [...path, key]));
  return path.length > 0 ? [path, ...inner] : inner;
}

function broken(body: Json, path: readonly (string | number)[], how: 'replace' | 'remove' | 'extra', value: unknown): Json {
  const copy = structuredClone(body);
  let node = copy as Record<string | number, unknown>;
  for (const key of path.slice(0, -1)) node = node[key] as Record<string | number, unknown>;
  const last = path.at(-1)!;
  if (how === 'remove' && !Array.isArray(node)) delete node[last];
  else if (how === 'extra') (copy as Record<string, unknown>)['unexpected'] = value;
  else node[last] = value;
  return copy;
}

/** `number` malformed requests, the same for the same seed. */
export function malformedRequests(targets: readonly Target[], number: number, seed: number): Malformed[] {
  const one = fc.constantFrom(...targets).chain((target): fc.Arbitrary<Malformed> => {
    const whole = JSON.parse(JSON.stringify(target.body)) as Json;
    const text = JSON.stringify(whole);
    const paths = pathsOf(whole);
    const broke = fc
      .tuple(fc.constantFrom(...paths), fc.constantFrom('replace' as const, 'remove' as const, 'extra' as const), rubbish)
      .map(([path, how, value]) => JSON.stringify(broken(whole, path, how, value)) ?? 'null');
    const cut = fc.nat(text.length - 1).map((length) => text.slice(0, length));
    const other = rubbish.map((value) => JSON.stringify(value) ?? '');
    return fc.oneof({ weight: 7, arbitrary: broke }, { weight: 2, arbitrary: cut }, { weight: 1, arbitrary: other }).map((raw) => ({ target, raw }));
  });
  return fc.sample(one, { numRuns: number, seed });
}
