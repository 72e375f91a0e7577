/** The card as it looks, for a page whose scripts have not come: small, in the family's language, the child's own, and nothing in it acts. */
import { gzipSync } from 'node:zlib';
import { beforeAll, describe, expect, it } from 'vitest';
import type { SightOfCard } from '@/contract/first-sight';
import { GET as firstSight } from '@/app/api/v1/home/first-sight/route';
import { sendWeek } from '@/server/weeks/send-week';
import { call, makeSchool, sendTo, useOwnSchema, weekOf } from './school';

/** What a poor line carries in a quarter of a second. */
const MOST_BYTES = 12_000;

beforeAll(useOwnSchema);

const seen = async (token: string, language = 'en') => {
  const { status, answer } = await call(firstSight, `/api/v1/home/first-sight?language=${language}`, { method: 'GET', token });
  return { status, sight: answer as unknown as SightOfCard };
};

describe('the first sight of a card', () => {
  it('has its words and its drawing, and weighs little', async () => {
    const school = await makeSchool(1);
    const token = await (await sendTo(school)).token(school.childIds[0]!);
    const { status, sight } = await seen(token);
    expect(status).toBe(200);
    expect(sight.html).toMatch(/<h1[^>]*>Otter Steps, /);
    expect(sight.html).toContain('Set it out');
    expect(sight.html).toContain('Childa X.');
    expect(sight.html).toContain('<svg');
    expect(sight.html).not.toMatch(/<script|<template/);
    expect(sight.css).not.toMatch(/<\/?style/);
    expect(gzipSync(JSON.stringify(sight)).length).toBeLessThan(MOST_BYTES);
  });

  it('is in the language that was asked for, else in English', async () => {
    const school = await makeSchool(1);
    const token = await (await sendTo(school)).token(school.childIds[0]!);
    expect((await seen(token, 'fr')).sight).toMatchObject({
      language: 'fr',
      direction: 'ltr',
      html: expect.stringContaining('Montre-moi') as string,
    });
    expect((await seen(token, '../../xx')).sight).toMatchObject({ language: 'en-GB', html: expect.stringContaining('Show me') as string });
  });

  it('tells a slip, which others may pick up, no name and no note; a wrong link nothing', async () => {
    const school = await makeSchool(1);
    const sent = await sendTo(school);
    await sendWeek(weekOf(school, { note: 'Blue bag by the door' }), new Date());
    const slip = (await seen(await sent.token(school.childIds[0]!, 'slip'))).sight.html;
    expect(slip).not.toContain('Childa X.');
    expect(slip).not.toContain('Blue bag');
    expect((await seen(await sent.token(school.childIds[0]!))).sight.html).toContain('Blue bag by the door');
    expect((await seen('A'.repeat(43))).status).toBe(401);
  });

  it('shows what a teacher wrote as words, whatever it looks like', async () => {
    const school = await makeSchool(1);
    const sent = await sendTo(school);
    await sendWeek(weekOf(school, { note: '</style><img src=x onerror=alert(1)>' }), new Date());
    const { html, css } = (await seen(await sent.token(school.childIds[0]!))).sight;
    expect(html).toContain('&lt;/style&gt;&lt;img src=x onerror=alert(1)&gt;');
    expect(html + css).not.toContain('<img');
  });
});
