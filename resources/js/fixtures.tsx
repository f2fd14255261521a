import { createTheme, ThemeProvider } from '@mui/material/styles';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState, type ReactNode } from 'react';
import { vi } from 'vitest';
import { useStore } from 'zustand';
import { createStore } from 'zustand/vanilla';
import type { Outline, OutlinePart, Result, Revision, Run } from './api/types';
import { partEntry, type ModelDocument, type PartEntry } from './model/document';
import type { ModelEditor } from './model/useModelEditor';

/** What component tests begin with: values with nothing in them that matters, an editor that keeps what it is told, a server that answers. */

export const sampleOutline = (parts: OutlinePart[] = [], fields: Partial<Outline> = {}): Outline => ({
    name: 'Sample',
    space: { min: [0, 0, 0], max: [0.2, 0.2, 0.2], fluid: 'air' },
    ambient: 293.15,
    gravity: [0, 0, -9.81],
    sun: null,
    watts: parts.reduce((sum, part) => sum + part.power, 0),
    parts,
    limits: [],
    grade: 'scout',
    openings: [],
    watches: [],
    assemblies: {},
    ...fields,
});

export const sampleRevision = (document: ModelDocument = {}, outline: Outline = sampleOutline(), fields: Partial<Revision> = {}): Revision => ({
    variant: { id: 7, name: 'Base', projectId: 3, study: null },
    number: 4,
    step: 'Add block',
    hash: 'f00',
    document,
    outline,
    preflight: [],
    ...fields,
});

export const sampleRun = (fields: Partial<Run> = {}): Run => ({
    id: 11,
    variant: 7,
    grade: 'scout',
    keepFlow: false,
    state: 'solved',
    revision: 4,
    model: 'f00',
    stopRequested: false,
    attempts: 1,
    progress: null,
    picture: 1,
    message: null,
    cells: null,
    iterations: null,
    seconds: null,
    limits: null,
    missed: null,
    undecided: null,
    worstMargin: null,
    worstLimit: null,
    startedAt: null,
    finishedAt: null,
    samples: [],
    queuedAt: null,
    points: [],
    ...fields,
});

export const sampleResult = (fields: Partial<Result> = {}): Result =>
    ({
        fields: [],
        parts: [],
        sides: {},
        watches: [],
        limits: [],
        verdict: { limits: 0, missed: 0, undecided: 0, worst: null, worstMargin: null },
        balance: { in: 0, out: 0, error: 0 },
        warnings: [],
        flow: null,
        electric: null,
        ...fields,
    }) as unknown as Result;

export interface Editing {
    /** The steps that were made, in order. */
    labels: string[];
    document: () => ModelDocument;
    part: (id: string) => PartEntry & Record<string, unknown>;
    shape: (id: string) => Record<string, unknown>;
}

/** Shows what edits a document, each edit at once, and keeps the steps that were made. */
export function editing(start: ModelDocument, show: (document: ModelDocument, editor: ModelEditor) => ReactNode, outline = sampleOutline()): Editing {
    const labels: string[] = [];
    const kept = createStore(() => ({ document: start }));
    const edit: ModelEditor['edit'] = (label, change) => {
        labels.push(label);
        kept.setState({ document: change(kept.getState().document) });
        return Promise.resolve(sampleRevision(kept.getState().document, outline));
    };
    function Edited() {
        const { document } = useStore(kept);
        return show(document, { revision: sampleRevision(document, outline), edit } as ModelEditor);
    }
    render(<Edited />, { wrapper: Frame });
    const part = (id: string) => partEntry(kept.getState().document, id) as PartEntry & Record<string, unknown>;
    return { labels, document: () => kept.getState().document, part, shape: (id) => part(id).shape };
}

/** Nothing fades or moves: what is closed is gone at once. */
const still = createTheme({
    components: {
        MuiButtonBase: { defaultProps: { disableRipple: true } },
        MuiMenu: { defaultProps: { transitionDuration: 0 } },
        MuiPopover: { defaultProps: { transitionDuration: 0 } },
        MuiDialog: { defaultProps: { transitionDuration: 0 } },
    },
});

/** What stands around every screen, with requests of its own. */
export function Frame({ children }: { children: ReactNode }) {
    const [client] = useState(() => new QueryClient({ defaultOptions: { queries: { retry: false, staleTime: Infinity } } }));
    return (
        <ThemeProvider theme={still}>
            <QueryClientProvider client={client}>{children}</QueryClientProvider>
        </ThemeProvider>
    );
}

type Answer = { status: number; body: unknown };

export const refused = (status: number, body: unknown): Answer => ({ status, body });

export interface Request {
    method: string;
    path: string;
    body: unknown;
}

/** A server that knows what it is given, by "METHOD path", with the query or without; returns the requests it gets. */
export function answering(answers: Record<string, unknown>): Request[] {
    const requests: Request[] = [];
    vi.stubGlobal('fetch', (path: string, { method = 'GET', body }: { method?: string; body?: string } = {}) => {
        requests.push({ method, path, body: body === undefined ? undefined : JSON.parse(body) });
        const whole = `${method} ${path}`;
        const key = whole in answers ? whole : whole.split('?')[0]!;
        const known = answers[key];
        const answer = (typeof known === 'function' ? (known as () => unknown)() : known) as Answer | undefined;
        const { status, body: said } =
            key in answers ? (typeof answer === 'object' && answer !== null && 'status' in answer ? answer : { status: 200, body: answer }) : refused(404, {});
        return Promise.resolve(new Response(said instanceof ArrayBuffer ? said : JSON.stringify(said), { status }));
    });
    return requests;
}

/** Puts a text into the nth field of that name and leaves it with Enter. */
export async function fill(label: string, text: string, nth = 0): Promise<void> {
    const field = screen.getAllByLabelText(label, { selector: 'input' })[nth]!;
    await userEvent.clear(field);
    if (text !== '') await userEvent.paste(text);
    await userEvent.keyboard('{Enter}');
}

/** Picks one of the choices of a field. */
export async function choose(label: string, choice: string, nth = 0): Promise<void> {
    await userEvent.click(screen.getAllByLabelText(label, { selector: '[role="combobox"]' })[nth]!);
    await userEvent.click(screen.getByText(choice, { selector: '[role="option"]' }));
}

export const press = (name: string | RegExp): Promise<void> => userEvent.click(screen.getByRole('button', { name }));

/** Opens a menu and takes an item of it. */
export async function pick(menu: string, item: string): Promise<void> {
    await press(menu);
    await userEvent.click(screen.getByText(item, { selector: '[role="menuitem"]' }));
}
