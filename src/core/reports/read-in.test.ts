import { describe, expect, it } from 'vitest';
import { matchChild } from './match-child';
import { ownWords, readMessage } from './read-message';
import { gameMeant, guessColumns, levelMeant, readRow } from './read-table';

const children = [
  { id: 'a', name: 'Ailsa B.' },
  { id: 'b', name: 'Ben T.' },
  { id: 'c', name: 'Ben M.' },
  { id: 'd', name: 'Žofie K.' },
];

describe('a written name', () => {
  it('is a child by first name and initial, in any order, with or without dots and accents', () => {
    expect(matchChild('ailsa b', children)).toEqual({ kind: 'one', id: 'a' });
    expect(matchChild('B., Ailsa', children)).toEqual({ kind: 'one', id: 'a' });
    expect(matchChild('Zofie', children)).toEqual({ kind: 'one', id: 'd' });
    expect(matchChild('Ben Morrison', children)).toEqual({ kind: 'one', id: 'c' });
  });
  it('is nobody when two children have it, or none', () => {
    expect(matchChild('Ben', children)).toEqual({ kind: 'several' });
    expect(matchChild('Corrie', children)).toEqual({ kind: 'none' });
    expect(matchChild('  ', children)).toEqual({ kind: 'none' });
  });
});

describe('the columns of a file', () => {
  it('are guessed from their headings, the cells of the game among them', () => {
    const fields = [{ label: 'near mark' }, { label: 'far mark' }];
    expect(guessColumns(['First name', 'Initial', 'Wk', 'Week', 'Near mark', 'far mark', 'Total', 'How was it?', 'Points'], fields)).toEqual([
      'child',
      'initial',
      'ignore',
      'week',
      'cell:0',
      'cell:1',
      'total',
      'felt',
      'ignore',
    ]);
  });
  it('a row says who, which week and level, the score in whole numbers, minutes and seconds or “not finished”', () => {
    const columns = ['child', 'week', 'level', 'total', 'cell:0'] as const;
    expect(readRow(['Ailsa B.', '6', 'Wade', '12', '4'], columns, 1, 2)).toMatchObject({
      child: 'Ailsa B.',
      week: 6,
      level: 'Wade',
      total: 12,
      cells: [4],
      problems: [],
    });
    expect(readRow(['Ben T', '6', '', '1:05', ''], columns, 1, 3)).toMatchObject({ total: 65, cells: [null] });
    expect(readRow(['Ben T', '6', '', 'not finished', ''], columns, 1, 3).total).toBeNull();
    expect(readRow(['Ben T', '6', '', '', ''], columns, 1, 3).total).toBeUndefined();
    expect(readRow(['Ben T', 'six', '', 'ten', 'x'], columns, 1, 3).problems).toHaveLength(3);
  });
  it('a level is meant by name or number; one that the game lacks is nobody’s', () => {
    const levels = [
      { id: 'level-1', name: 'Paddle' },
      { id: 'level-2', name: 'Wade' },
    ];
    expect(['wade', 'Level 2', '2', '', 'Dive', '7'].map((written) => levelMeant(written, levels, 'level-1'))).toEqual([
      'level-2',
      'level-2',
      'level-2',
      'level-1',
      null,
      null,
    ]);
  });
});

describe('the game that is meant', () => {
  const sent = [
    { id: 'six-1', number: 6, title: 'Lantern Quay' },
    { id: 'six-2', number: 6, title: 'Loch Frames' },
    { id: 'five', number: 5, title: 'Loch Frames' },
  ];
  it('is the one with that title in that week, whatever its capitals; of no week the newest', () => {
    expect(gameMeant(sent, 6, 'loch frames')?.id).toBe('six-2');
    expect(gameMeant(sent, 5, ' Loch Frames ')?.id).toBe('five');
    expect(gameMeant(sent, null, 'Loch Frames')?.id).toBe('six-2');
  });
  it('without a title is the one that was chosen, where it is of that week, else the first', () => {
    expect(gameMeant(sent, 6, '', 'six-2')?.id).toBe('six-2');
    expect(gameMeant(sent, 6, '', 'five')?.id).toBe('six-1');
    expect(gameMeant(sent, null, '')?.id).toBe('six-1');
  });
  it('is none for a title or a week that was not sent', () => {
    expect(gameMeant(sent, 6, 'Oilskin Dash')).toBeUndefined();
    expect(gameMeant(sent, 4, '')).toBeUndefined();
  });
});

describe('the words of a message', () => {
  it('name the game of an event by its title, whose words and figures are no score', () => {
    const titles = ['Three Rings', 'Three', 'Loch Frames 10'];
    const text = 'Ailsa B, week 6, loch frames 10: 84 points';
    expect(readMessage(text, children, titles)).toMatchObject({ game: 'Loch Frames 10', scores: [84], week: 6 });
    expect(readMessage('Ailsa got 7 at three rings', children, titles).game).toBe('Three Rings');
    expect(readMessage('Ailsa got 7', children, titles).game).toBe('');
  });
  it('give the child, the week, the level and the goes, each marked where it stands', () => {
    const text = 'Hello, Ailsa B played. Week 6, level 2: 3 then 4, best 4.';
    const read = readMessage(text, children);
    expect(read).toMatchObject({ childId: 'a', week: 6, level: '2', scores: [3, 4], best: 4, notFinished: false });
    expect(read.spans.map(({ from, to, what }) => [what, text.slice(from, to)])).toEqual([
      ['child', 'Ailsa B'],
      ['week', 'Week 6'],
      ['level', 'level 2'],
      ['score', '3 then 4'],
      ['score', 'best 4'],
    ]);
    expect(read.confidence).toBeGreaterThan(0.9);
  });
  it('are less sure when the child, the week or the figures are not told, or do not agree', () => {
    expect(readMessage('She scored 12 points!', children).confidence).toBeLessThan(0.5);
    expect(readMessage('Ben scored 12 points in week 6', children).childId).toBeNull();
    expect(readMessage('Ailsa: 3, 4 and 5, best 9', children).confidence).toBeLessThan(readMessage('Ailsa: 3, 4 and 5, best 5', children).confidence);
  });
  it('of others that are quoted say nothing', () => {
    const text = 'Ailsa got 7.\n\nOn Monday the school wrote:\n> Ben T scored 12 in week 5';
    expect(readMessage(text, children)).toMatchObject({ childId: 'a', scores: [7], week: null });
    expect(ownWords(text)).toHaveLength(text.length);
  });
  it('hold a slip’s code by its form, and a name that two children have is nobody', () => {
    expect(readMessage('Code ABCDEFGHJKLMNPQRSTUVWX: 9 points', children)).toMatchObject({ code: 'ABCDEFGHJKLMNPQRSTUVWX', scores: [9] });
    expect(readMessage('Ailsa and Žofie played', children).childId).toBeNull();
  });
});
