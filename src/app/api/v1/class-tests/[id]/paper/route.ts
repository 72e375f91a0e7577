import { testPaperSchema } from '@/contract/class-test';
import { testSheet } from '@/server/class-tests/class-tests';
import { groupsOf } from '@/core/progress/tested';
import { teacherRoute } from '@/server/http/route';
import { USUAL_LOOK } from '@/server/paper/job';
import { makePaper, paperAnswer } from '@/server/paper/make';

/** A sheet for each group of six as lines of JSON: how far the making is, and at last the PDF in base64. */
export const POST = teacherRoute(
  { roles: ['teacher', 'helper'], told: 'class test printed', body: testPaperSchema },
  async ({ request, body, who, id, now }) => {
    const { className, family, marksM, heldOn, children } = await testSheet(who, id(), now);
    const groups = groupsOf(children.map(({ name }) => name));
    const sheets = groups.map((names, index) => ({
      kind: 'class-test' as const,
      className,
      family,
      marksM,
      heldOn,
      names,
      group: index + 1,
      groups: groups.length,
    }));
    return paperAnswer(await makePaper({ look: { ...USUAL_LOOK, size: body.size }, sheets }, request.signal));
  },
);
