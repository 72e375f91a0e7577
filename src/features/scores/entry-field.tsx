'use client';
import { useId, type ComponentProps, type ReactNode } from 'react';

/** A field of a line that is filled in by keys; what is wrong with it stands beneath. */
export function EntryField({ label, problem, ...input }: ComponentProps<'input'> & { label: ReactNode; problem?: string | undefined }) {
  const problemId = useId();
  return (
    <div>
      <label>
        {label}
        <input autoComplete="off" {...input} {...(problem !== undefined && { 'aria-invalid': true, 'aria-errormessage': problemId })} />
      </label>
      {problem !== undefined && (
        <span id={problemId} className="problem" role="alert">
          {problem}
        </span>
      )}
    </div>
  );
}
