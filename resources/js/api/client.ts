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

function xsrfToken(): string {
    const cookie = document.cookie.split('; ').find((c) => c.startsWith('XSRF-TOKEN='));
    return cookie ? decodeURIComponent(cookie.slice('XSRF-TOKEN='.length)) : '';
}

async function failure(response: Response): Promise<ApiError> {
    const body = (await response.json().catch(() => ({}))) as Partial<Conflict> & { problems?: Problem[]; errors?: Record<string, string[]> };
    const first = Object.values(body.errors ?? {})[0]?.[0];
    const message = first ?? body.message ?? `The server answered with status ${response.status}.`;
    return new ApiError(response.status, message, body.problems ?? [], body.current ?? null);
}

async function send(method: string, path: string, body?: unknown): Promise<Response> {
    let response: Response;
    try {
        response = await fetch(path, {
            method,
            headers: {
                Accept: 'application/json',
                ...(method === 'GET' ? {} : { 'X-XSRF-TOKEN': xsrfToken() }),
                ...(body === undefined ? {} : { 'Content-Type': 'application/json' }),
            },
            body: body === undefined ? undefined : typeof body === 'string' ? body : JSON.stringify(body),
        });
    } catch {
        throw new ApiError(0, 'The server cannot be reached. Your last edit is kept on this page; try again.');
    }
    if (!response.ok) throw await failure(response);
    return response;
}

export const api = {
    get: async <T>(path: string): Promise<T> => (await send('GET', path)).json() as Promise<T>,
    post: async <T>(path: string, body?: unknown): Promise<T> => (await send('POST', path, body)).json() as Promise<T>,
    put: async <T>(path: string, body: unknown): Promise<T> => (await send('PUT', path, body)).json() as Promise<T>,
    delete: async <T>(path: string): Promise<T> => (await send('DELETE', path)).json() as Promise<T>,
    bytes: async (path: string): Promise<ArrayBuffer> => (await send('GET', path)).arrayBuffer(),
};
