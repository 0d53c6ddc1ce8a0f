import type { Translate } from '@/words/translate';
import 'server-only';
import { format } from '@/ui/when';
import QRCode from 'qrcode';
import { libraryDrill } from '@/core/drill';
import { fitted, onRung } from '@/core/layout';
import { fittingOf } from '@/core/people';
import type { UnitPreferences } from '@/core/units';
import {
  getCoach,
  getDrill,
  getStudent,
  listStudents,
  type Database,
  type Principal,
} from '@/data';
import { rungWords } from '../drills/rung-words';
import { PAPERS, type SheetQuery } from './paper';
import { measureBy } from './pdf';
import { sheetSvg, type SheetInput } from './sheet';

/** Who asks, and in which units they are told. */
interface Asking {
  database: Database;
  principal: Principal;
  units: UnitPreferences;
  t: Translate;
}

/**
 * Everything a set-up sheet says, and the sheet itself.
 *
 * @param asking who asks: what is theirs to see stands on it
 * @param id of an own drill, or key of a built-in one
 * @param query whom it is for, on which paper and rung
 * @param origin where this server is reached, for the code
 * @param leadsTo what the code leads to; the start of a session with the drill when left out
 */
export async function loadSheet(
  { database, principal, units, t }: Asking,
  id: string,
  query: SheetQuery,
  origin: string,
  leadsTo?: string,
) {
  const { name, layout, details, version, own } = await partsOf(t, id, database, principal);
  const student = query.student ? await getStudent(database, principal, query.student) : null;
  const rung = query.rung === undefined ? undefined : details.ladder[query.rung];
  const asked = rung ? onRung(layout, rung) : layout;
  const start = own
    ? `/start?drill=${id}${student ? `&student=${student.id}` : ''}`
    : `/drills/${id}`;
  const address = `${origin}${leadsTo ?? start}`;
  const { modules } = QRCode.create(address, { errorCorrectionLevel: 'M' });
  const input: SheetInput = {
    t,
    name,
    version,
    layout: student ? fitted(asked, fittingOf(student)) : asked,
    details,
    units,
    student: student && { name: student.name, fitting: fittingOf(student), kit: student.kit },
    rung: rung ? `${query.rung! + 1}, ${rungWords(rung, units)}` : null,
    code: { size: modules.size, dark: [...modules.data].map(Boolean) },
    made: format(new Date(), 'd MMMM yyyy'),
  };
  const paper = PAPERS[query.paper];
  const students = (await listStudents(database, principal))
    .filter(({ archivedAt }) => !archivedAt)
    .map((one) => ({ value: one.id, label: one.name }));
  return {
    ...sheetSvg(input, paper, measureBy(paper)),
    input,
    paper,
    students,
    rungs: details.ladder.map((one) => rungWords(one, units)),
  };
}

/** A drill of the coach's own, or a built-in one. */
async function partsOf(t: Translate, id: string, database: Database, principal: Principal) {
  const { units } = (await getCoach(database, principal)).settings;
  const builtIn = libraryDrill(id, units);
  if (builtIn) {
    const { key: _key, name, layout, ...details } = builtIn;
    return { name, layout, details, version: t('sheet.sheet.builtIn'), own: false };
  }
  const { name, layout, details, version } = await getDrill(database, principal, id);
  return { name, layout, details, version: t('sheet.sheet.version', { version }), own: true };
}
