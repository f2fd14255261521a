import type { Result } from '../../api/types';
import type { FieldName } from '../fields/catalogue';
import type { Field } from '../fields/field';
import type { FieldTextures } from '../fields/fieldMaterial';
import type { Scale } from '../fields/scale';
import type { SurfaceField } from './surfaces';

/** Everything of a run that is shown, as far as it has come. */
export interface Picture {
    run: number;
    /** Which picture of the run. */
    number: number;
    result: Result;
    fields: ReadonlyMap<FieldName, Field>;
    textures: ReadonlyMap<FieldName, FieldTextures>;
    surfaces: ReadonlyMap<FieldName, SurfaceField>;
    scales: ReadonlyMap<FieldName, Scale>;
}
