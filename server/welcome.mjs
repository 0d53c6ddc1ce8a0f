import { readFileSync } from 'node:fs';
import { createServer } from 'node:http';
import { limitConnections } from './limits.mjs';

const escaped = (text) =>
  text.replace(
    /[&<>"]/g,
    (one) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' })[one],
  );

/** The page that hands a phone this machine's certificate, and says what the phone asks. */
export function welcomePage({ address, fingerprint }) {
  const steps = (title, list) =>
    `<section><h2>${title}</h2><ol>${list.map((step) => `<li>${step}</li>`).join('')}</ol></section>`;
  return `<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<title>Dirigo on this phone</title>
<style>
  body { margin: 0 auto; max-width: 34rem; padding: 1.5rem 1.25rem 3rem; font: 18px/1.45 system-ui, sans-serif; color: #14171a; background: #fdfcf8 }
  h1 { font-size: 1.7rem; line-height: 1.15 }
  h2 { font-size: 1.15rem; margin: 1.6rem 0 .3rem }
  a.go { display: block; margin: .6rem 0; padding: .9rem 1rem; border: 2px solid #14171a; border-radius: 3px; color: #fdfcf8; background: #14171a; font-weight: 650; text-align: center; text-decoration: none }
  a.plain { color: #14171a; background: none }
  li { margin: .35rem 0 }
  code { font-size: .8rem; overflow-wrap: anywhere }
  .quiet { color: #555d63; font-size: .95rem }
</style>
</head>
<body>
<h1>Dirigo on this phone</h1>
<p>Once, this phone must be told to believe the machine that Dirigo runs on. Then it keeps putts when the signal is gone, and its screen stays awake on the green.</p>
<p><strong>1.</strong> Take the certificate:</p>
<a class="go" href="/dirigo.crt">Take the certificate</a>
<p><strong>2.</strong> Say that you trust it:</p>
${steps('On an iPhone or iPad', [
  'Tap <b>Allow</b> when asked whether to download a profile.',
  'Open <b>Settings</b>. Near the top, tap <b>Profile Downloaded</b>, then <b>Install</b>, and enter the phone’s passcode.',
  'In <b>Settings, General, About</b>, go to the very end, open <b>Certificate Trust Settings</b> and switch on the entry that begins with <b>Dirigo on this machine</b>.',
])}
${steps('On an Android phone', [
  'The file is in your downloads as <b>dirigo.crt</b>.',
  'Open <b>Settings</b> and search for <b>CA certificate</b>. Tap <b>Install anyway</b> and choose the file.',
  'From now on the phone may warn that the network could be monitored. It does this for every certificate added by hand.',
])}
<p><strong>3.</strong> Open Dirigo:</p>
<a class="go plain" href="${escaped(address)}">${escaped(address)}</a>
<p class="quiet">Compare, if you like, with what the machine shows. SHA-256 of the certificate:<br><code>${escaped(fingerprint)}</code></p>
<p class="quiet">The key that this certificate belongs to lies on that machine only. To take the trust back, remove the profile, or the certificate, in the same settings.</p>
</body>
</html>
`;
}

/** Serves that page and the certificate, and nothing else, without HTTPS: it is what HTTPS needs first. */
export function welcomeServer({ address, fingerprint, certificateFile }) {
  const page = welcomePage({ address, fingerprint });
  const certificate = readFileSync(certificateFile);
  const server = createServer((request, response) => {
    const path = (request.url ?? '').split('?')[0];
    const found = {
      '/': ['text/html; charset=utf-8', page],
      '/dirigo.crt': ['application/x-x509-ca-cert', certificate],
    }[path];
    if (!found || request.method !== 'GET') {
      response.writeHead(404, { connection: 'close' }).end();
      return;
    }
    response.writeHead(200, {
      'content-type': found[0],
      'content-security-policy': "default-src 'none'; style-src 'unsafe-inline'",
      'x-content-type-options': 'nosniff',
      'cache-control': 'no-store',
    });
    response.end(found[1]);
  });
  server.headersTimeout = 10_000;
  server.requestTimeout = 10_000;
  limitConnections(server, undefined, { all: 100, address: 20 });
  return server;
}
