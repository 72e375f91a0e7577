/** What can be done about somebody, in words. No interface here. */
import type { Person, PersonChange, PersonRole } from '@/contract/people';

export const ROLE_WORDS: Readonly<Record<PersonRole, string>> = { lead: 'lead', teacher: 'teacher', helper: 'helper' };

export interface Act {
  readonly words: string;
  readonly asked: PersonChange;
}

/** The acts on somebody's account; who has left can only come back. */
export function actsOnPerson({ role, closed, secondFactor }: Pick<Person, 'role' | 'closed' | 'secondFactor'>): readonly Act[] {
  if (closed) return [{ words: 'Open the account again', asked: { change: 'reopen' } }];
  const others = (['lead', 'teacher', 'helper'] as const).filter((one) => one !== role);
  return [
    ...others.map((one): Act => ({ words: `Make ${ROLE_WORDS[one]}`, asked: { change: 'role', role: one } })),
    { words: 'Link for a new password', asked: { change: 'reset' } },
    ...(secondFactor ? [{ words: 'Take off the second factor', asked: { change: 'no-second-factor' } } as const] : []),
    { words: 'Close: has left', asked: { change: 'close' } },
  ];
}
