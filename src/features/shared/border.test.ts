import { refusedAs, type Asked, type Names } from './border';

const HERE = '127.0.0.1:3000';
const ask = (asked: Partial<Asked>, names: Names = {}) =>
  refusedAs({ method: 'GET', path: '/', host: HERE, origin: null, site: null, ...asked }, names);
const post = (asked: Partial<Asked>, names?: Names) => ask({ method: 'POST', ...asked }, names);

describe('the border', () => {
  it('knows its own names only', () => {
    for (const host of [HERE, 'localhost:3000', '[::1]:3000']) expect(ask({ host })).toBeNull();
    for (const host of ['', 'elsewhere.example', '127.0.0.1.elsewhere.example', 'localhost.evil']) {
      expect(ask({ host })).toBe('host');
    }
    const origin = { DIRIGO_ORIGIN: 'https://putting.wharf.example' };
    expect(ask({ host: 'putting.wharf.example' }, origin)).toBeNull();
    // Served to others, it has no other name: not even this machine's own.
    expect(ask({ host: HERE }, origin)).toBe('host');
    const network = { DIRIGO_NETWORK: '192.168.1.5:3000,wharf.local:3000' };
    expect(ask({ host: 'wharf.local:3000' }, network)).toBeNull();
    expect(ask({ host: '192.168.1.6:3000' }, network)).toBe('host');
  });

  it('takes a change from its own pages only, and one that says so', () => {
    const own = `http://${HERE}`;
    expect(post({ origin: own })).toBeNull();
    expect(post({ origin: own, site: 'same-origin' })).toBeNull();
    for (const origin of [
      null,
      'null',
      `https://${HERE}`,
      'http://127.0.0.1:3001',
      'http://evil',
    ]) {
      expect(post({ origin })).toBe('origin');
    }
    for (const site of ['cross-site', 'same-site', 'none']) {
      expect(post({ origin: own, site })).toBe('origin');
    }
    for (const method of ['PUT', 'DELETE', 'PATCH', 'FOO']) expect(ask({ method })).toBe('origin');
    const network = { DIRIGO_NETWORK: '192.168.1.5:3000' };
    const host = '192.168.1.5:3000';
    expect(post({ host, origin: `https://${host}` }, network)).toBeNull();
    expect(post({ host, origin: `http://${host}` }, network)).toBe('origin');
  });

  it('under the name of the students’ pages has those and nothing of a coach’s', () => {
    const names = { DIRIGO_HOME: 'home.wharf.example' };
    const host = 'home.wharf.example';
    const page = ['', 'home', 'link'].join('/');
    for (const path of [page, `${page}/sessions/1`, '/_next/x.js', '/sw.js', '/build']) {
      expect(ask({ host, path }, names)).toBeNull();
    }
    for (const path of [
      '/',
      '/students',
      '/sign-in',
      '/records/backup',
      '/homework',
      '/api/runs/1/putts',
    ]) {
      expect(ask({ host, path }, names)).toBe('host');
    }
    expect(post({ host, path: page, origin: `https://${host}` }, names)).toBeNull();
    expect(ask({ path: '/students' }, names)).toBeNull();
  });

  it('lets no other site’s page fetch what holds much', () => {
    for (const path of [
      '/records/backup',
      '/programme/calendar',
      '/drills/x/file',
      '/drills/x/sheet/pdf',
      '/drills/x/sheet/svg',
      '/students/x/report',
    ]) {
      expect(ask({ path, site: 'cross-site' })).toBe('site');
      expect(ask({ path, site: 'same-site' })).toBe('site');
      for (const site of ['same-origin', 'none', null]) expect(ask({ path, site })).toBeNull();
    }
    // A plain page may be linked to.
    expect(ask({ path: '/students', site: 'cross-site' })).toBeNull();
  });
});
