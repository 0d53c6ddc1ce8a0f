'use client';

import { useTranslations } from 'next-intl';
import clsx from 'clsx';
import { useRouter } from 'next/navigation';
import { useEffect, useRef, useState, useTransition } from 'react';
import type { Mapping } from '@/core/table';
import { Button } from '@/ui/button';
import { DayField } from '@/ui/day-field';
import { Pick } from '@/ui/pick';
import { Toggle } from '@/ui/toggle';
import { showErrors } from '../shared/show-errors';
import {
  beginBook,
  beginImport,
  checkRows,
  howFar,
  lookAtFile,
  stopImport,
  takeList,
  type Looked,
  type LookedBook,
  type LookedList,
} from './actions';
import { ColumnFields } from './column-fields';
import type { JobTold } from './jobs';
import {
  BookWords,
  CheckedWords,
  FileHead,
  JobWords,
  ListWords,
  NAMED,
  count,
} from './import-words';
import { rowWords } from './putt-words';
import type { Checked } from './take';

interface Option {
  value: string;
  label: string;
}

const UPLOAD = '/records/files/upload';
/** How often it is asked how far it is, ms. */
const EVERY = 400;
const NONE = 'none';

/** A table of putts comes in: chosen, its columns set, looked through, taken in. */
export function ImportPanel({ students, drills }: { students: Option[]; drills: Option[] }) {
  const t = useTranslations();
  const router = useRouter();
  const input = useRef<HTMLInputElement>(null);
  const [busy, work] = useTransition();
  const [over, setOver] = useState(false);
  const [wrong, setWrong] = useState<string | null>(null);
  const [file, setFile] = useState<{ id: string; name: string } | null>(null);
  const [looked, setLooked] = useState<Looked | null>(null);
  const [list, setList] = useState<LookedList | null>(null);
  const [book, setBook] = useState<LookedBook | null>(null);
  const [taken, setTaken] = useState<string | null>(null);
  const [checked, setChecked] = useState<Checked | null>(null);
  const [job, setJob] = useState<{ id: string; told: JobTold } | null>(null);

  const fresh = () => {
    setFile(null);
    setLooked(null);
    setList(null);
    setBook(null);
    setTaken(null);
    setChecked(null);
    setJob(null);
    setWrong(null);
  };
  const choose = (chosen: File | undefined) => {
    if (!chosen) return;
    fresh();
    work(async () => {
      const answer = await fetch(UPLOAD, { method: 'POST', body: chosen }).catch(() => null);
      const sent = (await answer?.json().catch(() => null)) as
        { ok: true; id: string } | { ok: false; message: string } | null;
      if (!sent?.ok) {
        setWrong(
          t('import.importPanel.couldNotBeImported', {
            chosen: chosen.name,
            message: sent?.message ?? t('import.importPanel.theServerIsNotResponding'),
          }),
        );
        return;
      }
      const own = { id: sent.id, name: chosen.name.slice(-80) };
      const seen = await lookAtFile(own);
      if (!seen.ok) {
        setWrong(
          t('import.importPanel.couldNotBeRead', { chosen: chosen.name, message: seen.message }),
        );
        return;
      }
      setFile(own);
      if (seen.value.kind === 'putts') setLooked(seen.value);
      else if (seen.value.kind === 'book') setBook(seen.value);
      else setList(seen.value);
    });
  };

  const going = job?.told.state === 'going' ? job.id : null;
  useEffect(() => {
    if (!going) return;
    const again = setInterval(() => {
      void howFar(going).then((told) => {
        if (!told.ok) return;
        setJob({ id: going, told: told.value });
        if (told.value.state !== 'going') router.refresh();
      });
    }, EVERY);
    return () => clearInterval(again);
  }, [going, router]);

  const set = (changes: Partial<Mapping>) => {
    if (!looked) return;
    setLooked({ ...looked, mapping: { ...looked.mapping, ...changes } });
    setChecked(null);
  };
  const has = (target: string) =>
    looked?.mapping.columns.some((column) => column.target === target) ?? false;

  return (
    <div className="grid gap-6">
      {!looked && !list && !book && (
        <div
          onDragOver={(event) => {
            event.preventDefault();
            setOver(true);
          }}
          onDragLeave={() => setOver(false)}
          onDrop={(event) => {
            event.preventDefault();
            setOver(false);
            choose(event.dataTransfer.files[0]);
          }}
          className={clsx(
            'grid justify-items-start gap-3 border-2 border-dashed px-5 py-6',
            over ? 'border-line bg-sheet' : 'border-ink2',
          )}
        >
          <p className="max-w-prose text-[1.0625rem]">{t('import.importPanel.dropAFileHereA')}</p>
          <Button kind="primary" disabled={busy} onClick={() => input.current?.click()}>
            {busy ? t('import.importPanel.reading') : t('import.importPanel.chooseFile')}
          </Button>
          <input
            ref={input}
            type="file"
            accept=".csv,.tsv,.txt,.json,.jsonl,.ndjson,.ics,.zip"
            className="hidden"
            aria-label={t('import.importPanel.fileToImport')}
            onChange={({ target }) => {
              choose(target.files?.[0]);
              target.value = '';
            }}
          />
          {wrong && (
            <p role="alert" className="font-[560] text-line">
              ▲ {wrong}
            </p>
          )}
        </div>
      )}
      {file && list && (
        <ListWords
          name={file.name}
          list={list}
          taken={taken}
          busy={busy}
          onFresh={fresh}
          onTake={() =>
            work(async () => {
              const done = await takeList(file);
              if (!showErrors(done)) return;
              setTaken(
                t('import.importPanel.importedYouCanUndoThis', {
                  done: count(done.value, NAMED[list.kind]),
                }),
              );
            })
          }
        />
      )}
      {file && book && !job && (
        <BookWords
          name={file.name}
          book={book}
          busy={busy}
          onFresh={fresh}
          onTake={() =>
            work(async () => {
              const begun = await beginBook(file);
              if (showErrors(begun)) {
                setJob({ id: begun.value, told: { state: 'going', putts: 0 } });
              }
            })
          }
        />
      )}
      {file && looked && !job && (
        <>
          <FileHead name={file.name} onFresh={fresh} />
          {looked.remembered && (
            <p className="text-[1rem] text-ink2">{t('import.importPanel.theColumnsAreSetAs')}</p>
          )}
          {looked.doubts.length > 0 && (
            <ul className="grid gap-1 border-l-[3px] border-line pl-3 text-[1rem]">
              {looked.doubts.map((words) => (
                <li key={words}>{words}</li>
              ))}
            </ul>
          )}
          <section aria-label={t('import.importPanel.columns')} className="grid gap-2">
            <h3 className="cap">{t('import.importPanel.whatEachColumnMeans')}</h3>
            <ColumnFields
              headings={looked.headings}
              samples={looked.rows.slice(looked.mapping.skip)}
              mapping={looked.mapping}
              onChange={(columns) => set({ columns })}
            />
          </section>
          <section
            aria-label={t('import.importPanel.settingsForAllRows')}
            className="grid gap-4 sm:grid-cols-2"
          >
            {!has('student') && (
              <Pick
                label={t('import.importPanel.student')}
                placeholder={t('import.importPanel.chooseAStudent')}
                options={students}
                value={looked.mapping.studentId ?? ''}
                onChange={(studentId) => set({ studentId })}
              />
            )}
            {!has('when') && (
              <DayField
                label={t('import.importPanel.date')}
                value={looked.mapping.day ?? ''}
                onChange={(day) => set({ day: day || null })}
              />
            )}
            <Pick
              label={t('import.importPanel.drill')}
              placeholder={t('import.importPanel.choose')}
              options={[
                { value: NONE, label: t('import.importPanel.notKnownReadingsOnly') },
                ...drills,
              ]}
              value={looked.mapping.drillId ?? NONE}
              onChange={(value) => set({ drillId: value === NONE ? null : value })}
            />
            <Pick
              label={t('import.importPanel.decimalMark')}
              placeholder={t('import.importPanel.choose')}
              options={[
                { value: '.', label: t('import.importPanel.pointAsIn04') },
                { value: ',', label: t('import.importPanel.commaAsIn04') },
              ]}
              value={looked.mapping.decimal}
              onChange={(value) => set({ decimal: value === ',' ? ',' : '.' })}
            />
            {has('when') && (
              <Pick
                label={t('import.importPanel.dateOrder')}
                placeholder={t('import.importPanel.choose')}
                options={[
                  { value: 'dmy', label: t('import.importPanel.dayFirstAsIn31') },
                  { value: 'mdy', label: t('import.importPanel.monthFirstAsIn10') },
                  { value: 'ymd', label: t('import.importPanel.yearFirstAsIn2025') },
                ]}
                value={looked.mapping.order}
                onChange={(value) => set({ order: value as Mapping['order'] })}
              />
            )}
            {has('student') && (
              <Toggle
                label={t('import.importPanel.addNewNamesAsStudents')}
                on={looked.mapping.addStudents}
                onChange={(addStudents) => set({ addStudents })}
              />
            )}
          </section>
          <section aria-label={t('import.importPanel.firstRowsAsPutts')} className="grid gap-1">
            <h3 className="cap">{t('import.importPanel.firstRowsAsPuttsOf')}</h3>
            <ol className="grid gap-1 text-[1rem]">
              {looked.rows
                .slice(looked.mapping.skip)
                .slice(0, 6)
                .map((row, index) => {
                  const { ok, words } = rowWords(row, looked.mapping);
                  return (
                    <li key={index} className={ok ? '' : 'text-line'}>
                      {ok ? '' : '▲ '}
                      {words}
                    </li>
                  );
                })}
            </ol>
          </section>
          {checked && <CheckedWords checked={checked} />}
          <div className="flex flex-wrap gap-3">
            {!checked ? (
              <Button
                kind="primary"
                disabled={busy}
                onClick={() =>
                  work(async () => {
                    const told = await checkRows({ ...file, mapping: looked.mapping });
                    if (showErrors(told)) setChecked(told.value);
                  })
                }
              >
                {busy
                  ? t('import.importPanel.checking')
                  : t('import.importPanel.checkTheWholeFile')}
              </Button>
            ) : (
              <Button
                kind="primary"
                disabled={busy || checked.fresh === 0}
                onClick={() =>
                  work(async () => {
                    const begun = await beginImport({ ...file, mapping: looked.mapping });
                    if (showErrors(begun)) {
                      setJob({ id: begun.value, told: { state: 'going', putts: 0 } });
                    }
                  })
                }
              >
                {t('import.importPanel.import', { fresh: count(checked.fresh, 'putt') })}
              </Button>
            )}
          </div>
        </>
      )}
      {job && (
        <div className="grid gap-3" role="status">
          <JobWords told={job.told} of={book?.putts ?? checked?.fresh ?? 0} />
          {job.told.state === 'going' ? (
            <div>
              <Button onClick={() => void stopImport(job.id)}>
                {t('import.importPanel.stopImport')}
              </Button>
            </div>
          ) : (
            <div>
              <Button onClick={fresh}>{t('import.importPanel.chooseAnotherFile')}</Button>
            </div>
          )}
        </div>
      )}
    </div>
  );
}
