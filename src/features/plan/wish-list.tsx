'use client';
/** What a term is for, in sentences with slots. */
import { X } from 'lucide-react';
import type { ReactNode } from 'react';
import { weeksOfTerm } from '@/core/plan/calendar';
import type { PlanFacts, TermDocument } from '@/core/plan/document';
import type { Weights } from '@/core/plan/term';
import { HARDNESS, IMPORTANCE, type Hardness, type Importance, type Wish, type WishKind } from '@/core/plan/wishes';
import { SKILL_NAMES, SKILLS, type Skill } from '@/core/sheet/teaching-points';
import { InlineSelect } from '@/ui/field';
import { Menu } from '@/ui/menu';
import { NumberSlot } from '@/ui/number-slot';
import { newWish } from './model';
import { Away } from './plan-style';

const SKILL_CHOICES = SKILLS.map((value) => ({ value, label: SKILL_NAMES[value] }));
const HARDNESS_CHOICES: readonly { value: Hardness; label: string }[] = HARDNESS.map((value) => ({
  value,
  label: { easy: 'easy (6 or 7 in 10)', right: 'in the middle (5 in 10)', hard: 'hard (3 or 4 in 10)' }[value],
}));
const IMPORTANCE_CHOICES: readonly { value: Importance; label: string }[] = IMPORTANCE.map((value) => ({
  value,
  label: { none: 'not at all', less: 'less', usual: 'as usual', more: 'more' }[value],
}));
const WEIGHT_WORDS: Readonly<Record<keyof Weights, string>> = {
  hardness: 'that a week is as hard as it should be then',
  movements: 'that every movement comes up',
  variety: 'that games are played in many ways',
  things: 'that little has to be found at home',
  changes: 'that a plan which stands changes little',
};

const KINDS: readonly { readonly kind: WishKind; readonly label: string; readonly says: string }[] = [
  { kind: 'weeks', label: 'Weeks of a movement', says: 'at least, at most' },
  { kind: 'order', label: 'One movement after another', says: 'rolling not before throwing' },
  { kind: 'event', label: 'An event in a week', says: 'make the event first' },
  { kind: 'cupboard', label: 'What the school lends', says: 'so many at a time' },
  { kind: 'without', label: 'Nothing that needs a thing', says: 'what homes do not have' },
  { kind: 'floor', label: 'How much floor homes have', says: 'metres of clear line' },
  { kind: 'minutes', label: 'How long a go may take', says: 'minutes' },
  { kind: 'twice', label: 'Each game again soon', says: 'beating one’s own needs a first time' },
  { kind: 'often', label: 'No game too often', says: 'times in the term' },
  { kind: 'run', label: 'No movement for too long', says: 'weeks running' },
  { kind: 'played', label: 'Nothing that was played this year', says: 'by the class' },
];

interface WishListProps {
  readonly document: TermDocument;
  readonly facts: PlanFacts;
  readonly mayChange: boolean;
  /** Wishes that cannot be had together. */
  readonly marked: ReadonlySet<string>;
  readonly onDocument: (document: TermDocument) => void;
}

export function WishList({ document, facts, mayChange, marked, onDocument }: WishListProps) {
  const setWishes = (wishes: readonly Wish[]) => onDocument({ ...document, wishes });
  const change = (id: string, to: Wish) => setWishes(document.wishes.map((wish) => (wish.id === id ? to : wish)));
  return (
    <section aria-labelledby="wishes">
      <h2 id="wishes">What the term is for</h2>
      <p>
        It begins{' '}
        <InlineSelect
          label="How hard at the start"
          value={document.from}
          choices={HARDNESS_CHOICES}
          onChange={(from) => onDocument({ ...document, from })}
        />{' '}
        and ends{' '}
        <InlineSelect label="How hard at the end" value={document.to} choices={HARDNESS_CHOICES} onChange={(to) => onDocument({ ...document, to })} />
        .
      </p>
      <ul>
        {document.wishes.map((wish) => (
          <li key={wish.id} data-marked={marked.has(wish.id) || undefined}>
            <span>
              <Sentence wish={wish} document={document} facts={facts} onWish={(to) => change(wish.id, to)} />
              {wish.kind !== 'cupboard' && <ForWhom wish={wish} facts={facts} document={document} onWish={(to) => change(wish.id, to)} />}
            </span>
            {mayChange && (
              <Away type="button" aria-label="Take this wish away" onClick={() => setWishes(document.wishes.filter(({ id }) => id !== wish.id))}>
                <X size={16} aria-hidden />
              </Away>
            )}
          </li>
        ))}
      </ul>
      <div>
        <Menu
          label="One more wish"
          isDisabled={!mayChange}
          groups={() => [
            {
              acts: KINDS.map(({ kind, label, says }) => ({
                id: kind,
                label,
                says,
                off: newWish(kind, { document, facts }) === null,
                act: () => {
                  const wish = newWish(kind, { document, facts });
                  if (wish) setWishes([...document.wishes, wish]);
                },
              })),
            },
          ]}
        >
          One more wish
        </Menu>
      </div>
      <h2>What weighs more</h2>
      <ul>
        {(Object.keys(WEIGHT_WORDS) as (keyof Weights)[]).map((name) => (
          <li key={name}>
            <span>
              <InlineSelect
                label={`How much it weighs ${WEIGHT_WORDS[name]}`}
                value={document.importance[name]}
                choices={IMPORTANCE_CHOICES}
                onChange={(importance) => onDocument({ ...document, importance: { ...document.importance, [name]: importance } })}
              />{' '}
              {WEIGHT_WORDS[name]}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}

interface SentenceProps {
  readonly wish: Wish;
  readonly document: TermDocument;
  readonly facts: PlanFacts;
  readonly onWish: (wish: Wish) => void;
}

const ALL = 'all';

function ForWhom({ wish, document, facts, onWish }: SentenceProps) {
  const classes = document.classes.flatMap(({ classId }) => facts.classes.find(({ id }) => id === classId) ?? []);
  if (classes.length < 2) return null;
  const value = wish.classIds?.length === 1 ? wish.classIds[0]! : wish.classIds ? 'some' : ALL;
  return (
    <>
      {' '}
      for{' '}
      <InlineSelect
        label="For which class"
        value={value}
        choices={[
          { value: ALL, label: 'all' },
          ...(value === 'some' ? [{ value: 'some', label: `${wish.classIds!.length} classes` }] : []),
          ...classes.map(({ id, name }) => ({ value: id, label: name })),
        ]}
        onChange={(chosen) => {
          if (chosen === 'some') return;
          const { classIds: _before, ...rest } = wish;
          onWish(chosen === ALL ? rest : { ...rest, classIds: [chosen] });
        }}
      />
    </>
  );
}

function Sentence({ wish, document, facts, onWish }: SentenceProps): ReactNode {
  const number = (label: string, value: number, min: number, max: number, change: (value: number) => void, step = 1) => (
    <NumberSlot label={label} value={value} min={min} max={max} step={step} decimals={step < 1 ? 1 : 0} onChange={change} />
  );
  const skill = (label: string, value: Skill, change: (value: Skill) => void) => (
    <InlineSelect label={label} value={value} choices={SKILL_CHOICES} onChange={change} />
  );
  const weeks = weeksOfTerm(document).length;
  const things = [...new Set(facts.offers.flatMap((offer) => offer.things))].sort().map((value) => ({ value, label: value }));
  const thing = (of: Wish & { kind: 'without' | 'cupboard' }) => (
    <InlineSelect
      label="Which thing"
      value={of.thing}
      choices={things.some(({ value }) => value === of.thing) ? things : [{ value: of.thing, label: of.thing }, ...things]}
      onChange={(value) => onWish({ ...of, thing: value })}
    />
  );
  switch (wish.kind) {
    case 'weeks':
      return (
        <>
          {number('At least so many weeks', wish.least, 0, weeks, (least) =>
            onWish({ ...wish, least, most: wish.most === null ? null : Math.max(least, wish.most) }),
          )}{' '}
          <InlineSelect
            label="Or more"
            value={wish.most === null ? 'more' : 'to'}
            choices={[
              { value: 'more', label: 'or more' },
              { value: 'to', label: 'to' },
            ]}
            onChange={(how) => onWish({ ...wish, most: how === 'more' ? null : wish.least + 1 })}
          />{' '}
          {wish.most !== null && number('At most so many weeks', wish.most, wish.least, weeks, (most) => onWish({ ...wish, most }))} weeks of{' '}
          {skill('Which movement', wish.skill, (one) => onWish({ ...wish, skill: one }))}
        </>
      );
    case 'order':
      return (
        <>
          {skill('Which movement later', wish.then, (then) => then !== wish.first && onWish({ ...wish, then }))} not before{' '}
          {skill('Which movement first', wish.first, (first) => first !== wish.then && onWish({ ...wish, first }))}
        </>
      );
    case 'often':
      return <>A game at most {number('How often at most', wish.most, 1, weeks, (most) => onWish({ ...wish, most }))} times</>;
    case 'twice':
      return (
        <>Each game at least twice within {number('Within so many weeks', wish.within, 2, weeks, (within) => onWish({ ...wish, within }))} weeks</>
      );
    case 'run':
      return <>The same movement at most {number('Weeks running', wish.most, 1, weeks, (most) => onWish({ ...wish, most }))} weeks running</>;
    case 'minutes':
      return <>A go takes at most {number('Minutes at most', wish.most, 1, 60, (most) => onWish({ ...wish, most }))} minutes</>;
    case 'floor':
      return <>Homes have {number('Metres of floor', wish.metres, 0.5, 20, (metres) => onWish({ ...wish, metres }), 0.5)} m of clear floor</>;
    case 'without':
      return <>Nothing that needs a {thing(wish)}</>;
    case 'cupboard':
      return (
        <>
          Of {thing(wish)} the school lends {number('How many at a time', wish.there, 0, 9999, (there) => onWish({ ...wish, there }))} at a time
        </>
      );
    case 'event':
      return (
        <>
          <InlineSelect
            label="Which event"
            value={wish.eventId}
            choices={document.events.map(({ id, title }) => ({ value: id, label: title }))}
            onChange={(eventId) => onWish({ ...wish, eventId })}
          />{' '}
          in week {number('In which week', wish.week + 1, 1, weeks, (week) => onWish({ ...wish, week: week - 1 }))}
        </>
      );
    case 'played':
      return <>Nothing that was played this school year</>;
  }
}
