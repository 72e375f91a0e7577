'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { CreditRule } from '@/core/progress/credit';
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
      <label style={{ display: 'flex', gap: 8, alignItems: 'center', fontSize: '0.9375rem' }}>
        <input type="checkbox" checked={asksBoth} disabled={readOnly} onChange={(event) => void put(event.target.checked)} />
        Taking part asks for both: a report that can be, and a line of the log that an adult has signed (else one of the two is enough)
      </label>
      {problem && (
        <Notice $tone="caution" role="alert">
          {problem}
        </Notice>
      )}
    </>
  );
}
