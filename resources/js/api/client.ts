import type { Conflict, Problem } from './types';

/** What the server refused, with the places in the model where that is known. */
export class ApiError extends Error {
    constructor(
        readonly status: number,
        message: string,
        readonly problems: Problem[] = [],
        readonly conflict: Conflict['current'] = null,
    ) {
        super(message);
    }
}

/** Why something was refused, each reason once: what is wrong with the model where that is known, else what was said. */
export function reasonsOf(error: Error): string[] {
    const problems = error instanceof ApiError ? error.problems.map(({ message }) => message) : [];
    return problems.length > 0 ? [...new Set(problems)] : [error.message];
}

/** Proves that a changing request comes from this page; each session has its own. */
let token = '';

/** Keeps the token of the session that the server has told. */
export function keepToken<T extends { token: string }>(session: T): T {
    token = session.token;
    return session;
}

/** Statuses that say that the session is over, or was begun anew in another tab. */
const EXPIRED = 419;

async function failure(response: Response): Promise<ApiError> {
    const body = (await response.json().catch(() => ({}))) as Partial<Conflict> & { problems?: Problem[]; errors?: Record<string, string[]> };
    const first = Object.values(body.errors ?? {})[0]?.[0];
    const message = first ?? body.message ?? `The server answered with status ${response.status}.`;
    return new ApiError(response.status, message, body.problems ?? [], body.current ?? null);
}

/** Asks for the token of the session as it is now, after another tab has signed in or the session was renewed. */
const renewToken = async (): Promise<boolean> => {
    const response = await fetch('/api/session', { headers: { Accept: 'application/json' } }).catch(() => null);
    if (!response?.ok) return false;
    keepToken((await response.json()) as { token: string });
    return true;
};

async function send(method: string, path: string, body?: unknown, again = true): Promise<Response> {
    let response: Response;
    try {
        response = await fetch(path, {
            method,
            headers: {
                Accept: 'application/json',
                ...(method === 'GET' ? {} : { 'X-CSRF-TOKEN': token }),
                ...(body === undefined ? {} : { 'Content-Type': body instanceof Blob ? 'application/zip' : 'application/json' }),
            },
            body: body === undefined ? undefined : typeof body === 'string' || body instanceof Blob ? body : JSON.stringify(body),
        });
    } catch {
        throw new ApiError(0, 'The server cannot be reached. Your last edit is kept on this page; try again.');
    }
    if (response.status === EXPIRED && again && (await renewToken())) return send(method, path, body, false);
    if (!response.ok) throw await failure(response);
    return response;
}

export const api = {
    get: async <T>(path: string): Promise<T> => (await send('GET', path)).json() as Promise<T>,
    post: async <T>(path: string, body?: unknown): Promise<T> => (await send('POST', path, body)).json() as Promise<T>,
    put: async <T>(path: string, body: unknown): Promise<T> => (await send('PUT', path, body)).json() as Promise<T>,
    patch: async <T>(path: string, body: unknown): Promise<T> => (await send('PATCH', path, body)).json() as Promise<T>,
    /** Deletes what has nothing to say any more. */
    remove: async (path: string): Promise<void> => void (await send('DELETE', path)),
    delete: async <T>(path: string): Promise<T> => (await send('DELETE', path)).json() as Promise<T>,
    postForBytes: async (path: string, body: unknown): Promise<ArrayBuffer> => (await send('POST', path, body)).arrayBuffer(),
    bytes: async (path: string): Promise<ArrayBuffer> => (await send('GET', path)).arrayBuffer(),
};
