/** The texts for families, one for all channels: a message, a mail, a slip of paper. No child is named in them. */
import { fileAnswer } from '../http/answer';
import { dayWords } from '@/core/measure/days';
import MailComposer from 'nodemailer/lib/mail-composer';
import ical, { ICalEventTransparency } from 'ical-generator';
import type { FamilyNotice } from '../db/outbox';

export interface Announced {
  readonly className: string;
  readonly number: number;
  readonly dueOn: string;
  /** The game's title, or the event's. */
  readonly title: string;
  readonly note: string;
}

export function weekNotice({ className, number, dueOn, title, note }: Announced): { subject: string; words: string } {
  return {
    subject: `${className}, week ${number}: ${title}`,
    words: [
      `${title} is on your child's card now. Open it with the link or code that you have for this term.`,
      note,
      `It needs about a quarter of an hour and things from home. An adult agrees to the place first.`,
      `Please play it by ${dayWords(dueOn)}. Every go counts, finished or not. Without a device? Ask us for the paper sheet.`,
    ]
      .filter(Boolean)
      .join('\n\n'),
  };
}

export function reminderNotice({ className, number, dueOn, title }: Announced): { subject: string; words: string } {
  return {
    subject: `${className}, week ${number}: a reminder`,
    words: [
      `${title} can still be played until ${dayWords(dueOn)}. The link or code that you have for this term opens it.`,
      'One short go is enough, finished or not. If you have sent a score already: thank you. If something is in the way, tell us and we find another form.',
    ].join('\n\n'),
  };
}

/** Asks one family, kindly, about a score: by first name and initial only, with what does not add up and nothing else. */
export function askNotice({ childName, title, sentences }: { childName: string; title: string; sentences: readonly string[] }): {
  subject: string;
  words: string;
} {
  return {
    subject: `${title}: a question about a score`,
    words: [
      `Thank you for the score of ${childName} in ${title}. One thing we could not make out:`,
      ...sentences,
      'Could you tell us how it was? A line is enough, or play it once more and send the new score. Whatever it is, taking part counts.',
    ].join('\n\n'),
  };
}

/** A notice as a mail that a mail program opens as a draft; whom it goes to is added there. */
export async function mailOf({ subject, words, madeAt }: FamilyNotice, calendar: { name: string; text: string }): Promise<Buffer> {
  const composer = new MailComposer({
    subject,
    text: words,
    date: madeAt,
    headers: { 'X-Unsent': '1' },
    attachments: [{ filename: calendar.name, content: calendar.text, contentType: 'text/calendar; charset=utf-8' }],
  });
  return composer.compile().build();
}

/** The due day as a calendar file: the whole day, and free. RFC 5545 through ical-generator. */
export function calendarOf(week: { id: string; number: number; dueOn: string; title: string }, now: Date): string {
  const calendar = ical({ name: 'Lochside', prodId: { company: 'Lochside', product: 'Weeks', language: 'EN' } });
  const day = new Date(`${week.dueOn}T00:00:00Z`);
  calendar.createEvent({
    id: `week-${week.id}`,
    stamp: now,
    start: day,
    allDay: true,
    timezone: 'UTC',
    summary: `${week.title}: play by today`,
    description: `Week ${week.number}. The link or code that you have for this term opens it.`,
    transparency: ICalEventTransparency.TRANSPARENT,
  });
  return calendar.toString();
}

export function calendarAnswer(number: number, text: string): Response {
  return fileAnswer(text, 'text/calendar; charset=utf-8', `week-${number}.ics`);
}
