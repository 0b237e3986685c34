import { afterEach, describe, expect, it, vi } from 'vitest';
import { ask, NotSent, ProblemError, wordsOf } from './client.ts';

const sent: { url: string; init: RequestInit }[] = [];
function answers(status: number, body: string | null): void {
  vi.stubGlobal('fetch', async (url: string, init: RequestInit) => {
    sent.push({ url, init });
    return new Response(body, { status });
  });
}
const named = (name: string | null) => vi.stubGlobal('localStorage', { getItem: () => name, setItem: () => {} });
const failure = async (asking: Promise<unknown>) => (await asking.catch((error: unknown) => error)) as ProblemError;

afterEach(() => {
  sent.length = 0;
  vi.unstubAllGlobals();
});

describe('asking the server', () => {
  it('reads without a body', async () => {
    named(null);
    answers(200, '{"pots":3}');
    expect(await ask('/round')).toEqual({ pots: 3 });
    expect(sent[0]).toMatchObject({ url: '/api/round', init: { method: 'GET', body: null, headers: {} } });
  });
  it('writes JSON, from a version', async () => {
    named(null);
    answers(201, '{}');
    await ask('/plants/1', { method: 'PATCH', version: 7, body: { name: 'Aloe' } });
    expect(sent[0]!.init).toMatchObject({
      method: 'PATCH',
      body: '{"name":"Aloe"}',
      headers: { 'Content-Type': 'application/json', 'If-Match': '7' },
    });
  });
  it('sends a file as it is, under its own type, or as bytes', async () => {
    named(null);
    answers(201, '{}');
    await ask('/plants/1/pictures', { method: 'POST', file: new Blob(['x'], { type: 'image/png' }) });
    await ask('/plants/1/pictures', { method: 'POST', file: new Blob(['x']) });
    expect(sent.map(({ init }) => (init.headers as Record<string, string>)['Content-Type'])).toEqual([
      'image/png',
      'application/octet-stream',
    ]);
  });
  it('an empty answer is none', async () => {
    named(null);
    answers(204, null);
    expect(await ask('/waters/1', { method: 'DELETE' })).toBeNull();
  });
});

describe('what goes wrong', () => {
  it('a refusal comes in the server’s own words, with what to put right', async () => {
    named(null);
    const problem = {
      type: 'urn:zinc-pail:problem:in-use',
      title: 'In use',
      status: 409,
      detail: 'Plants stand there.',
    };
    answers(409, JSON.stringify(problem));
    const error = await failure(ask('/places/1', { method: 'DELETE' }));
    expect(error.problem).toEqual(problem);
    expect(wordsOf(error)).toBe('Plants stand there.');
  });
  it('an answer that is no problem at all is told by its number', async () => {
    named(null);
    answers(502, '<html>');
    expect(wordsOf(await failure(ask('/round')))).toBe('The server answered 502.');
  });
  it('a dead line is told apart from a refusal', async () => {
    named(null);
    vi.stubGlobal('fetch', () => Promise.reject(new TypeError('failed')));
    expect((await failure(ask('/round'))).problem).toMatchObject({ status: 503, title: 'No answer' });
  });
  it('what was never sent says why; anything else says little', () => {
    expect(wordsOf(new NotSent('Too large.'))).toBe('Too large.');
    expect(wordsOf(new Error('undefined is not a function'))).toBe('That did not work.');
  });
});
