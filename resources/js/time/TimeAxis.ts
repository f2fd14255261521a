import { createContext } from 'react';
import type { Body } from '../model/partKinds';

/** When the course ends that is asked for, s, null where the steady state is; and the parts that a sensor may stand at, by their ids. */
export const TimeAxis = createContext<{ until: number | null; parts: Readonly<Record<string, Body>> }>({ until: null, parts: {} });
