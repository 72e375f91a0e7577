/** Whether an answer is a card, as a family's page asks it: without Joi, for the weight of the page. The schema says the same; a test holds them together. */
import type { Card } from './card';

/** The format of games that this page reads, as it tells the school when it asks for a card. */
export const GAMES_OF = '2';

const isRecord = (value: unknown): value is Readonly<Record<string, unknown>> => typeof value === 'object' && value !== null && !Array.isArray(value);

const isListOf = (value: unknown, one: (value: unknown) => boolean): boolean => Array.isArray(value) && value.every(one);

const isItem = (value: unknown): boolean =>
  isRecord(value) &&
  typeof value['assignmentId'] === 'string' &&
  typeof value['levelId'] === 'string' &&
  isRecord(value['game']) &&
  isRecord(value['setUp']) &&
  Array.isArray(value['forms']) &&
  value['forms'].length > 0;

const isWeek = (value: unknown): boolean =>
  isRecord(value) &&
  typeof value['id'] === 'string' &&
  typeof value['dueOn'] === 'string' &&
  isListOf(value['games'], isItem) &&
  Array.isArray(value['kit']) &&
  Array.isArray(value['diaryEntries']);

export const isCard = (value: unknown): value is Card =>
  isRecord(value) &&
  (value['scope'] === 'card' || value['scope'] === 'slip') &&
  (value['child'] === null || isRecord(value['child'])) &&
  isListOf(value['weeks'], isWeek);
