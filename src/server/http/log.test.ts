import { DatabaseError } from 'sequelize';
import { logTo } from './log';

test('an error is written down with what it is and where, without what people typed', () => {
  const lines: string[] = [];
  const log = logTo({ write: (line) => void lines.push(line) });
  const parent = Object.assign(new Error('value too long'), {
    code: '22001',
    sql: 'INSERT INTO people VALUES ($1)',
    parameters: ['a secret'],
  });
  log.error({ error: new DatabaseError(parent as never) }, 'a request failed');
  log.error({ error: new TypeError('x is no function', { cause: parent }) }, 'a request failed');
  log.warn({ error: 'a secret' }, 'thrown');
  expect(lines.join()).not.toMatch(/secret|INSERT/);
  expect(lines.map((line) => (JSON.parse(line) as { error: object }).error)).toEqual([
    {
      name: 'SequelizeDatabaseError',
      code: '22001',
      message: 'value too long',
      where: expect.stringMatching(/^at .*log\.test\.ts/),
    },
    {
      name: 'TypeError',
      message: 'x is no function',
      where: expect.stringMatching(/^at .*log\.test\.ts/),
      cause: { name: 'Error', code: '22001', message: 'value too long', where: expect.any(String) },
    },
    { message: 'something thrown that is no error: string' },
  ]);
});
