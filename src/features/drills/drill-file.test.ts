import { t } from 'tests/english';
import { LIBRARY } from '@/core/drill';
import { drillFileSchema, readDrillFile, writeDrillFile } from './drill-file';

const { key: _key, ...drill } = LIBRARY.find(({ key }) => key === 'three-in-one')!;
const file = writeDrillFile(drill);

describe('a drill’s file', () => {
  it.each(LIBRARY.map((one) => [one.key, one] as const))(
    'comes back as it went: %s',
    (_name, one) => {
      const { key: _own, ...values } = one;
      expect(readDrillFile(writeDrillFile(values))).toEqual({ ok: true, drill: values });
    },
  );

  it.each([
    [
      'no JSON',
      file.replace('"name":', '"name"'),
      /This file is not valid JSON: colon expected at line 4, column/,
    ],
    ['nothing', '', /not valid JSON/],
    ['a comment', file.replace('{', '{ // moat'), /not valid JSON/],
    ['another kind of file', '{"kind": "moat"}', /^kind: .* \(line 1, column 10\)\.$/],
    [
      'a gap of nothing',
      file.replace(/"gap": 0\.058/, '"gap": 0.01'),
      /gap: The gap must be wider than the ball\. \(line \d+, column \d+\)/,
    ],
    [
      'an element nobody knows',
      file.replace('"kind": "ballGate"', '"kind": "windmill"'),
      /elements\.\d.*\(line \d+/,
    ],
    ['no name', file.replace(/"name": ".*",/, ''), /^name: .*\(line 1, column 1\)/],
    ['a hand too many', file.replace('"hand": "right"', '"hand": "both"'), /layout\.player\.hand/],
  ])('is refused with its place: %s', (_what, text, words) => {
    const read = readDrillFile(text);
    expect(read.ok).toBe(false);
    expect(read.ok ? '' : read.message).toMatch(words);
  });

  it('tells the line on which the fault stands', () => {
    const lines = file.split('\n');
    const at = lines.findIndex((line) => line.includes('"gap": 0.058'));
    const read = readDrillFile(file.replace('"gap": 0.058', '"gap": 0.01'));
    expect(read).toMatchObject({ ok: false, message: expect.stringContaining(`line ${at + 1},`) });
  });

  it('has a published schema that names every kind of element', () => {
    const text = JSON.stringify(drillFileSchema(t));
    for (const kind of ['ballGate', 'boxGate', 'paceZone', 'watch'])
      expect(text).toContain(`"const":"${kind}"`);
    expect(text).toContain('"const":"dirigo-drill"');
    expect(text).toContain('json-schema.org');
  });
});
