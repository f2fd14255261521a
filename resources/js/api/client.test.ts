import { afterEach, describe, expect, it, vi } from 'vitest';
import { api, ApiError, keepToken } from './client';

interface Sent {
    path: string;
    method: string;
    headers: Record<string, string>;
    body: string | undefined;
}

/** A server that gives these answers one after the other; a null is a lost connection. */
function server(...answers: (Response | null)[]): Sent[] {
    const sent: Sent[] = [];
    vi.stubGlobal('fetch', (path: string, given: Omit<Sent, 'path'> = { method: 'GET', headers: {}, body: undefined }) => {
        sent.push({ path, ...given });
        const answer = answers.shift();
        return answer ? Promise.resolve(answer) : Promise.reject(new TypeError('lost'));
    });
    return sent;
}

const json = (body: unknown, status = 200) => new Response(JSON.stringify(body), { status });

const failed = async (work: Promise<unknown>): Promise<ApiError> => {
    try {
        await work;
    } catch (e) {
        return e as ApiError;
    }
    throw new Error('it did not fail');
};

describe('requests to the server', () => {
    afterEach(() => vi.unstubAllGlobals());

    it('prove where they come from when they change something', async () => {
        keepToken({ token: 'abc' });
        const sent = server(json({}), json({}));
        await api.get('/api/x');
        await api.put('/api/x', { a: 1 });
        expect(sent[0]!.headers).not.toHaveProperty('X-CSRF-TOKEN');
        expect(sent[1]).toMatchObject({ method: 'PUT', body: '{"a":1}', headers: { 'X-CSRF-TOKEN': 'abc', 'Content-Type': 'application/json' } });
    });

    it('send a text as it is: it may be a document that only the server can judge', async () => {
        const sent = server(json({}));
        await api.post('/api/projects', '{ broken');
        expect(sent[0]!.body).toBe('{ broken');
    });

    it('take up the session as it was renewed in another tab, once', async () => {
        keepToken({ token: 'old' });
        const sent = server(json({}, 419), json({ token: 'new' }), json({ id: 3 }));
        expect(await api.post('/api/runs', { grade: 'scout' })).toEqual({ id: 3 });
        expect(sent.map(({ path }) => path)).toEqual(['/api/runs', '/api/session', '/api/runs']);
        expect(sent[2]!.headers['X-CSRF-TOKEN']).toBe('new');
        const again = server(json({}, 419), json({ token: 'newer' }), json({}, 419));
        expect((await failed(api.post('/api/runs'))).status).toBe(419);
        expect(again).toHaveLength(3);
    });

    it('say that the server cannot be reached', async () => {
        server(null);
        const error = await failed(api.get('/api/x'));
        expect(error).toBeInstanceOf(ApiError);
        expect([error.status, error.message]).toEqual([0, 'The server cannot be reached. Your last edit is kept on this page; try again.']);
    });

    it('hand on what was refused and where', async () => {
        const problems = [{ pointer: '/parts/0', message: 'no' }];
        server(json({ message: 'The model has 1 mistake.', problems }, 422));
        expect(await failed(api.get('/api/x'))).toMatchObject({ status: 422, message: 'The model has 1 mistake.', problems });
        server(json({ message: 'The given data was invalid.', errors: { email: ['This is no address.'] } }, 422));
        expect((await failed(api.post('/api/session'))).message).toBe('This is no address.');
        server(json({ message: 'Changed meanwhile.', current: { number: 8 } }, 409));
        expect((await failed(api.put('/api/x', {}))).conflict).toEqual({ number: 8 });
    });

    it('give the status where the server said nothing that can be read', async () => {
        server(new Response('<html>bad gateway</html>', { status: 502 }));
        expect((await failed(api.delete('/api/x'))).message).toBe('The server answered with status 502.');
    });

    it('read fields as bytes', async () => {
        server(new Response(new Uint8Array([1, 2, 3])));
        expect([...new Uint8Array(await api.bytes('/api/field'))]).toEqual([1, 2, 3]);
    });
});
