import { describe, expect, it } from 'vitest';
import { sensibleStart } from '@/core/course/sensible-start';
import { isCard } from './card-check';
import { cardSchema } from './card-schema';
import { newUuid } from './ids';

const game = sensibleStart({ title: 'Otter Steps', aim: '', technique: 'underarm', implement: 'sock-ball', target: 'box', ageYears: 8 });
const item = {
  assignmentId: newUuid(),
  opensOn: null,
  game,
  levelId: 'level-1',
  setUp: { implement: 'sock-ball', targets: ['box'], distancesM: [2], stepM: 0.5, ageYears: 8, form: 'standing' },
  forms: [{ id: 'asked' }],
  par: 12,
  best: null,
  received: 0,
};
const week = {
  id: newUuid(),
  number: 3,
  dueOn: '2027-03-05',
  note: '',
  title: '',
  warmUp: '',
  diary: '',
  film: '',
  filmAlone: false,
  kit: [],
  games: [item],
  diaryEntries: [],
};
const card = { scope: 'card', child: { name: 'Wren T.', hand: null }, exerciseSwapped: false, weeks: [week] };
const admitted = (value: unknown) => cardSchema.validate(value, { convert: false }).error === undefined;

describe('a card', () => {
  it('is taken by the family’s page and by the desk; what a newer server adds is let through', () => {
    for (const one of [card, { ...card, scope: 'slip', child: null }, { ...card, weeks: [], mood: 'good' }]) {
      expect(isCard(one)).toBe(true);
      expect(admitted(one)).toBe(true);
    }
  });
  it.each([
    ['an error page', '<html>'],
    ['a list', [card]],
    ['no scope', { ...card, scope: undefined }],
    ['weeks that are none', { ...card, weeks: [{}] }],
    ['a game without a form', { ...card, weeks: [{ ...week, games: [{ ...item, forms: [] }] }] }],
    ['a game that is none', { ...card, weeks: [{ ...week, games: [{ ...item, game: 'otters' }] }] }],
  ])('is neither for %s', (_what, value) => {
    expect(isCard(value)).toBe(false);
    expect(admitted(value)).toBe(false);
  });
});
