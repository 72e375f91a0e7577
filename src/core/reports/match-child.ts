/** Which child a written name means: by first name and initial, in whatever order and with whatever dots. */
export interface Named<Id extends string = string> {
  readonly id: Id;
  /** "Ailsa B." */
  readonly name: string;
}

export type Match<Id extends string = string> = { readonly kind: 'one'; readonly id: Id } | { readonly kind: 'several' | 'none' };

const plain = (text: string) =>
  text
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .toLocaleLowerCase('en-GB')
    .replace(/[^\p{L}\s'-]/gu, ' ')
    .replace(/\s+/g, ' ')
    .trim();

/** The child whose first name (and initial, where one is written) this is; one alone, or nobody is taken. */
export function matchChild<Id extends string>(written: string, children: readonly Named<Id>[]): Match<Id> {
  const wanted = plain(written.includes(',') ? written.split(',').reverse().join(' ') : written);
  if (wanted === '') return { kind: 'none' };
  const whole = children.filter((child) => plain(child.name) === wanted);
  if (whole.length === 1) return { kind: 'one', id: whole[0]!.id };
  if (whole.length > 1) return { kind: 'several' };
  const [first = '', ...rest] = wanted.split(' ');
  const letter = rest.at(-1)?.charAt(0);
  const found = children.filter((child) => {
    const [ownFirst = '', ownInitial = ''] = plain(child.name).split(' ');
    return ownFirst === first && (letter === undefined || ownInitial.charAt(0) === letter);
  });
  return found.length === 1 ? { kind: 'one', id: found[0]!.id } : { kind: found.length === 0 ? 'none' : 'several' };
}
