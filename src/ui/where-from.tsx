'use client';
/** A small question beside a figure: where is this from? It answers with the lines of the tables that the figure rests on. */
import { CircleQuestionMark } from 'lucide-react';
import { figuresSchema } from '@/contract/figures';
import { useState } from 'react';
import styled from 'styled-components';
import { QuietButton } from './button';
import { Dialog } from './dialog';
import { useRead } from './reads';

/** A line of a table: a figure, its source, and what takes its place. */
interface SourcedLine {
  readonly what: string;
  readonly value: string;
  readonly source: string;
  readonly replacedBy: string;
}

const Asked = styled(QuietButton)`
  && {
    display: inline-flex;
    align-items: center;
    gap: var(--space-1);
  }
`;

const Lines = styled.dl`
  display: grid;
  gap: var(--space-4);
  margin: 0;
  max-height: 60vh;
  overflow: auto;
  & dt {
    font-weight: 600;
  }
  & dd {
    margin: 0;
  }
  & small {
    display: block;
    font-size: var(--type-1);
    color: var(--ink-soft);
  }
`;

const ASKS = 'where is this from?';

function Told({ lines }: { lines: readonly SourcedLine[] }) {
  return (
    <Lines tabIndex={0} aria-label="Figures and their sources">
      {lines.map((line) => (
        <div key={line.what}>
          <dt>{line.what}</dt>
          <dd>
            {line.value}
            <small>
              {line.source}
              {line.replacedBy !== '' && ` · replaced by ${line.replacedBy}`}
            </small>
          </dd>
        </div>
      ))}
    </Lines>
  );
}

/** Asked of the server when the slip is opened. */
function Read({ url }: { url: string }) {
  const { data, error } = useRead(url, figuresSchema, { onFocus: false });
  if (error) return <p role="alert">{error.message}</p>;
  return data ? <Told lines={data.lines} /> : <p role="status">One moment …</p>;
}

interface Asking {
  /** The figures that are asked about: "these chances". */
  readonly what: string;
  /** What stands beside the sign; with `quiet` it is heard alone. */
  readonly label?: string;
  readonly quiet?: boolean;
  /** What answers: worked out when the slip is opened, or the address of the route that knows. */
  readonly lines: (() => readonly SourcedLine[]) | string;
}

export function WhereFrom({ lines, what, label = ASKS, quiet = false }: Asking) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <Asked aria-label={label === ASKS ? label : `${label}: ${ASKS}`} onPress={() => setOpen(true)}>
        <CircleQuestionMark size={14} aria-hidden />
        {!quiet && label}
      </Asked>
      <Dialog title={`Where ${what} come from`} isOpen={open} onClose={() => setOpen(false)} width={600}>
        {open && (typeof lines === 'string' ? <Read url={lines} /> : <Told lines={lines()} />)}
      </Dialog>
    </>
  );
}
