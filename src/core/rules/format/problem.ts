/** Something a person can put right: where it is, what is wrong there, and what to do about it. */
export interface Problem {
  readonly place: string;
  readonly reason: string;
  readonly fix: string;
}

export type Outcome<T> = { readonly ok: true; readonly value: T } | { readonly ok: false; readonly problems: readonly Problem[] };
