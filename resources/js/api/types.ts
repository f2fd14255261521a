import type { components } from './schema';

type Schemas = components['schemas'];

export type Session = Schemas['Session'];
export type Project = Schemas['Project'];
export type Revision = Schemas['Revision'];
export type Outline = Schemas['Outline'];
export type OutlinePart = Schemas['OutlinePart'];
export type OutlineLimit = Schemas['OutlineLimit'];
export type Drawing = Schemas['Drawing'];
export type Cavity = Schemas['Cavity'];
export type GridReport = Schemas['GridReport'];
export type Run = Schemas['Run'];
export type Result = Schemas['Result'];
export type ResultPart = Schemas['ResultPart'];
export type ResultLimit = Schemas['ResultLimit'];
export type Material = Schemas['Material'];
export type MaterialsOfProject = Schemas['MaterialsOfProject'];
export type ProbeValue = Schemas['ProbeValue'];
export type Influence = Schemas['Influence'];
export type WhatIf = Schemas['WhatIf'];
export type SavedView = Schemas['SavedView'];
export type Problem = Schemas['Problem'];
export type Finding = Schemas['Finding'];
export type Conflict = Schemas['Conflict'];
export type Grade = Run['grade'];
