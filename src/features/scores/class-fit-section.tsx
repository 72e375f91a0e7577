'use client';
import { DeskLink } from '@/ui/desk-link';
import { classFitSchema } from '@/contract/class-fit';
import { skillWords } from '@/core/progress/skill-words';
import { Notice } from '@/ui/notice';
import { useRead } from '@/ui/reads';
import { DoesItFitSection } from './does-it-fit';
import { HitsByDistance } from './hits-by-distance';
import { SubHead } from '@/ui/page';

/** How steady the class is by its own reports: worked out on the server when somebody looks, since it may take a moment. */
export function ClassFitSection({ classId, ageYears }: { classId: string; ageYears: number }) {
  const { data: fit, error } = useRead(`/api/v1/classes/${classId}/fit`, classFitSchema, { onFocus: false });
  return (
    <section aria-labelledby="steady">
      <SubHead id="steady">Hits by distance</SubHead>
      {!fit && !error ? (
        <p role="status">Working out how steady this class is …</p>
      ) : !fit ? (
        <Notice $tone="caution">It could not be worked out just now. Open the page again.</Notice>
      ) : (
        <>
          <p>
            The class is {skillWords(fit.group, ageYears)}.{' '}
            {fit.calibrated
              ? 'Par and chances of what you send next rest on it.'
              : 'Until there are 36 tries, par and chances rest on what is assumed for the age.'}{' '}
            <DeskLink href={`/classes/${classId}/test`}>Hold a class test</DeskLink>
          </p>
          <HitsByDistance aims={fit.aims} whose="the class" fitted={fit.group} />
          <DoesItFitSection fits={fit.fits} />
        </>
      )}
    </section>
  );
}
