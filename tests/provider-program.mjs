/**
 * A provider of sign-in (OpenID Connect), for tests: `node tests/provider-program.mjs PORT REDIRECT_URI`. It asks nobody anything: whoever comes is
 * the person that was told it last, as JSON by POST to /next. It is a program of its own because its library is written as modules alone.
 */
import { createServer } from 'node:http';
import { text } from 'node:stream/consumers';
import Provider from 'oidc-provider';

const [port, redirectUri] = process.argv.slice(2);
let account = { sub: 'nobody' };

const provider = new Provider(`http://127.0.0.1:${port}`, {
  clients: [{ client_id: 'breakwater', client_secret: 'a secret of the client, for tests only', redirect_uris: [redirectUri] }],
  claims: { email: ['email', 'email_verified'], profile: ['name'] },
  cookies: { keys: ['for tests only'] },
  features: { devInteractions: { enabled: false } },
  findAccount: (_context, sub) => ({ accountId: sub, claims: () => ({ ...account, sub }) }),
  pkce: { required: () => true },
});
const handle = provider.callback();

createServer(async (request, response) => {
  if (request.url === '/next') {
    account = JSON.parse(await text(request));
    return response.end();
  }
  if (!request.url.startsWith('/interaction/')) return handle(request, response);
  const { prompt, params } = await provider.interactionDetails(request, response);
  if (prompt.name === 'login') return provider.interactionFinished(request, response, { login: { accountId: account.sub } });
  const grant = new provider.Grant({ accountId: account.sub, clientId: params.client_id });
  grant.addOIDCScope('openid profile email');
  return provider.interactionFinished(request, response, { consent: { grantId: await grant.save() } });
}).listen(Number(port), '127.0.0.1', () => process.stdout.write('ready\n'));
