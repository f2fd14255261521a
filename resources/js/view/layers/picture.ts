import type { Result } from '../../api/types';
import type { FieldName } from '../fields/catalogue';
import type { Field } from '../fields/field';
import type { FieldTextures } from '../fields/fieldMaterial';
import type { Scale } from '../fields/scale';
import type { SurfaceField } from './surfaces';

/** What a run has to show, as far as it has come. */
export interface Content {
    run: number;
    /** Which picture of the run. */
    number: number;
    result: Result;
    fields: ReadonlyMap<FieldName, Field>;
    textures: ReadonlyMap<FieldName, FieldTextures>;
    surfaces: ReadonlyMap<FieldName, SurfaceField>;
}

/** The same with the scales that its colours mean now. */
export interface Picture extends Content {
    scales: ReadonlyMap<FieldName, Scale>;
}
