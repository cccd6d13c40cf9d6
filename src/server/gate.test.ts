import { describe, expect, it } from 'vitest';
import { answerHeaders, badForm, type Coming, gateOf, turnedAway } from './gate';

const here = gateOf({});
const served = gateOf({ SHELF_ACCOUNTS: '1', SHELF_SCHEME: 'https', SHELF_HOSTS: 'shelf.example,shelf.example:8443' });
const coming = (fields: Partial<Coming>): Coming => ({
  method: 'GET',
  url: '/',
  host: '127.0.0.1:4180',
  origin: undefined,
  site: undefined,
  ...fields,
});
const codeOf = (gate: typeof here, fields: Partial<Coming>) => turnedAway(gate, coming(fields))?.code ?? null;

describe('the gate', () => {
  it('lets this machine in by its names, and nobody by another, wherever that name leads', () => {
    for (const host of ['127.0.0.1:4180', 'localhost', '[::1]:4180']) expect(codeOf(here, { host })).toBeNull();
    for (const host of ['shelf.example', '127.0.0.1.example', '10.0.0.4', 'localhost:80x', undefined])
      expect(codeOf(here, { host })).toBe('not-local');
  });

  it('answers to the names that it was given, with their ports', () => {
    for (const host of ['shelf.example', 'shelf.example:8443']) expect(codeOf(served, { host })).toBeNull();
    for (const host of ['127.0.0.1', 'shelf.example:1', 'a.shelf.example', undefined])
      expect(codeOf(served, { host })).toBe('not-here');
  });

  it('takes nothing that a page of another site sends, by whatever the browser says of it', () => {
    const host = 'shelf.example';
    const sent = (fields: Partial<Coming>) => codeOf(served, { method: 'POST', host, ...fields });
    expect(sent({})).toBeNull();
    expect(sent({ origin: 'https://shelf.example', site: 'same-origin' })).toBeNull();
    expect(sent({ origin: 'null', site: 'same-origin' })).toBeNull();
    for (const fields of [
      { origin: 'https://elsewhere.example' },
      { origin: 'http://shelf.example' },
      { origin: 'null' },
      { origin: 'null', site: 'cross-site' },
      { site: 'same-site' },
      { origin: 'https://shelf.example', site: 'cross-site' },
    ])
      expect(sent(fields), JSON.stringify(fields)).toBe('foreign');
    // To look is no harm.
    expect(codeOf(served, { host, site: 'cross-site' })).toBeNull();
  });

  it('reads no address with half an escape or a NUL in it', () => {
    for (const url of ['/jobs/%E0%A4%A', '/api/jobs/a%00b', '/?words=%00', '/?words=%'])
      expect(codeOf(here, { url }), url).toBe('bad-request');
    expect(codeOf(here, { url: '/?words=100%25+sure' })).toBeNull();
  });

  it('knows the methods that its routes have, and paths alone', () => {
    for (const method of ['TRACE', 'OPTIONS', 'PUT', 'PROPFIND', 'trace', ''])
      expect(badForm({ method, url: '/' }), method).toMatchObject({ status: 405, code: 'no-method' });
    for (const url of ['http://evil.example/api/health', '//evil.example/', '/\\evil.example', '*', ''])
      expect(badForm({ method: 'GET', url }), url).toMatchObject({ status: 400, code: 'bad-request' });
    for (const method of ['GET', 'HEAD', 'POST', 'DELETE']) expect(badForm({ method, url: '/jobs' })).toBeNull();
  });

  it('puts a policy on whatever is answered: pages run what bears their nonce, data runs nothing', () => {
    const policyOf = (path: string) => answerHeaders(served, path, 'N0NCE')['content-security-policy'] ?? '';
    expect(policyOf('/jobs/a/runs')).toContain("'nonce-N0NCE'");
    for (const path of ['/api/jobs/a', '/schema/job.json']) expect(policyOf(path)).toMatch(/^default-src 'none'/);
    for (const path of ['/', '/api/jobs', '/l/x', '/sw.js', '/_next/static/a.js']) {
      expect(policyOf(path)).toContain("frame-ancestors 'none'");
      expect(policyOf(path)).not.toMatch(/script-src[^;]*unsafe-inline/);
      expect(answerHeaders(served, path, '')).toMatchObject({ 'strict-transport-security': 'max-age=31536000' });
    }
    expect(answerHeaders(here, '/', '')).not.toHaveProperty('strict-transport-security');
    expect(answerHeaders(here, '/jobs/a', '')['cache-control']).toBe('no-store');
  });
});
