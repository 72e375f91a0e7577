'use client';
import { useRef, useState } from 'react';
import styled from 'styled-components';
import { PAPER_LANGUAGES, paperSchema, type PaperWanted } from '@/contract/paper';
import { Button } from '@/ui/button';
import { Dialog, DialogActions } from '@/ui/dialog';
import { FormSelect } from '@/ui/form/fields';
import { useSchemaForm } from '@/ui/form/schema-form';
import { Notice } from '@/ui/notice';
import { saveFile } from '@/ui/save-file';
import { makePdf } from '@/ui/make-pdf';

const Pair = styled.div`
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: var(--space-5);
`;

const Bar = styled.div`
  height: 10px;
  border: 1px solid var(--ink);
  & div {
    height: 100%;
    background: var(--tide);
  }
`;

/** Sheets of a week as one PDF: which, for whom, on what paper. */
export function PaperDialog({
  weekId,
  name,
  games,
  onPaper,
  isOpen,
  onClose,
}: {
  weekId: string;
  name: string;
  games: number;
  /** How many children of the class play on paper. */
  onPaper: number;
  isOpen: boolean;
  onClose: () => void;
}) {
  const form = useSchemaForm(paperSchema, {
    kind: games > 1 ? 'event' : 'home',
    who: 'all',
    size: 'A4',
    print: 'usual',
    ground: 'white',
    language: 'en',
  });
  const [progress, setProgress] = useState<{ done: number; of: number } | null>(null);
  const [problem, setProblem] = useState('');
  const [made, setMade] = useState('');
  const stop = useRef<AbortController | null>(null);
  const make = async (wanted: PaperWanted) => {
    setProblem('');
    setMade('');
    setProgress({ done: 0, of: 1 });
    stop.current = new AbortController();
    const result = await makePdf(`/api/v1/weeks/${weekId}/paper`, wanted, (done, of) => setProgress({ done, of }), stop.current.signal);
    setProgress(null);
    if (!result.ok) return setProblem(result.problem);
    const file = `${name}-${wanted.kind}.pdf`.replace(/[^\p{L}\p{N}.-]+/gu, '-');
    saveFile(result.pdf, file);
    setProblem(result.problem);
    setMade(file);
  };
  return (
    <Dialog title="Print this week" isOpen={isOpen} onClose={onClose}>
      <Pair>
        <FormSelect
          control={form.control}
          name="kind"
          label="Sheets"
          choices={[
            { value: 'home', label: games > 1 ? 'a home sheet for each game' : 'home sheets' },
            ...(games > 1 ? [{ value: 'event' as const, label: 'one card for all games' }] : []),
            { value: 'diary', label: 'movement diaries' },
            { value: 'frames', label: 'frame sheets' },
          ]}
        />
        <FormSelect
          control={form.control}
          name="who"
          label="For"
          choices={[
            { value: 'all', label: 'every child' },
            { value: 'paper', label: `those on paper (${onPaper})` },
          ]}
        />
        <FormSelect
          control={form.control}
          name="size"
          label="Paper"
          choices={[
            { value: 'A4', label: 'A4' },
            { value: 'LETTER', label: 'US Letter' },
          ]}
        />
        <FormSelect
          control={form.control}
          name="print"
          label="Print"
          choices={[
            { value: 'usual', label: 'usual' },
            { value: 'large', label: 'large' },
          ]}
        />
        <FormSelect
          control={form.control}
          name="ground"
          label="Ground"
          choices={[
            { value: 'white', label: 'white' },
            { value: 'pale', label: 'pale, for whom white glares' },
          ]}
        />
        <FormSelect
          control={form.control}
          name="language"
          label="Language"
          choices={PAPER_LANGUAGES.map(({ tag, name }) => ({ value: tag, label: name }))}
        />
      </Pair>
      {progress && (
        <div role="status">
          {progress.done === 0 ? 'Setting out the sheets …' : `${progress.done} of ${progress.of} sheets`}
          <Bar>
            <div data-fill style={{ width: `${(100 * progress.done) / progress.of}%` }} />
          </Bar>
        </div>
      )}
      {made && <Notice role="status">{made} is in your downloads.</Notice>}
      {problem && (
        <Notice $tone="caution" role="alert">
          {problem}
        </Notice>
      )}
      <DialogActions>
        {progress ? <Button onPress={() => stop.current?.abort()}>Stop</Button> : <Button onPress={onClose}>Close</Button>}
        <Button $strong isDisabled={progress !== null} onPress={() => void form.handleSubmit(make)()}>
          Make the PDF
        </Button>
      </DialogActions>
    </Dialog>
  );
}
