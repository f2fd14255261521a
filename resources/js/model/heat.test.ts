import { describe, expect, it } from 'vitest';
import type { PartEntry } from './document';
import { faceNames, heatOfKind, withFaceHeat } from './heat';

const part: PartEntry = { id: 'p', shape: { kind: 'cylinder' }, faces: { side: { heat: { kind: 'film', coefficient: '8 W/m^2/K' }, note: 'kept' } } };

describe('heat conditions of faces', () => {
    it('knows the faces of a shape', () => expect(faceNames(part)).toEqual(['bare', 'side', 'start', 'end']));

    it('adds and takes away a condition and keeps what else a face has', () => {
        expect(withFaceHeat(part, 'end', heatOfKind('temperature')).faces).toMatchObject({ end: { heat: { kind: 'temperature', temperature: '40 degC' } } });
        expect(withFaceHeat(part, 'side', heatOfKind('adiabatic'))).toEqual({ faces: { side: { note: 'kept' } } });
        expect(withFaceHeat({ ...part, faces: { side: { heat: { kind: 'film' } } } }, 'side', undefined)).toEqual({ faces: undefined });
    });
});
