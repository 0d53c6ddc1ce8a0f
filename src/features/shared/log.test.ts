import { safeError } from './log';

jest.mock('server-only', () => ({}));

test('what is logged of an error names where it happened, and nothing that somebody typed', () => {
  const error = new Error('There is a coach named Tilda Vrane already; her note says she limps.');
  const told = JSON.stringify(safeError(error));
  expect(told).toContain('log.test');
  for (const word of ['Tilda', 'limps']) expect(told).not.toContain(word);
});

test('it keeps the code that tells a full disk from a broken file', () => {
  expect(safeError(new Error('SQLITE_FULL: database or disk is full'))).toMatchObject({
    code: 'SQLITE_FULL',
  });
  const full = Object.assign(new Error('no space'), { code: 'ENOSPC' });
  expect(safeError(full)).toMatchObject({ code: 'ENOSPC' });
  expect(safeError('Tilda')).toEqual({ type: 'string' });
});
