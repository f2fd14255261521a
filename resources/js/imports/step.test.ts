import { describe, expect, it } from 'vitest';
import { productNames, solidName } from './step';

describe('solids of a STEP file', () => {
    it('take the name of their product where they have none of their own', () => {
        const products = productNames({
            name: 'Assembly',
            meshes: [],
            children: [
                { name: 'Tray', meshes: [0], children: [] },
                { name: ' ', meshes: [1], children: [] },
            ],
        });
        expect(products.get(0)).toBe('Tray');
        expect(['SOLID', 'Solid 2', '', ' '].map((own) => solidName(own, 'Tray', 'file'))).toEqual(['Tray', 'Tray', 'Tray', 'Tray']);
        expect(solidName('Lid', 'Tray', 'file')).toBe('Lid');
        expect(solidName('SOLID', products.get(1), 'file')).toBe('file');
    });
});
