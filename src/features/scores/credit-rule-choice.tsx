'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { CreditRule } from '@/core/progress/credit';
import { Ticked } from '@/ui/form/fields';
import { Notice } from '@/ui/notice';
import { send } from '@/ui/post';

/** What counts as taking part: a report or a signed log, or both. */
export function CreditRuleChoice({ classId, rule, readOnly }: { classId: string; rule: CreditRule; readOnly: boolean }) {
  const router = useRouter();
  const [asksBoth, setAsksBoth] = useState(rule === 'both');
  const [problem, setProblem] = useState('');
  const put = async (both: boolean) => {
    setAsksBoth(both);
    const answer = await send('PUT', `/api/v1/classes/${classId}/credit`, { rule: both ? 'both' : 'either' });
    if (answer.ok) router.refresh();
    else {
      setAsksBoth(!both);
      setProblem(answer.problem);
    }
  };
  return (
    <>
      <Ticked
        label="Taking part asks for both: a report that can be, and a line of the log that an adult has signed (else one of the two is enough)"
        on={asksBoth}
        isDisabled={readOnly}
        onChange={(both) => void put(both)}
      />
      {problem && (
        <Notice $tone="caution" role="alert">
          {problem}
        </Notice>
      )}
    </>
  );
}
