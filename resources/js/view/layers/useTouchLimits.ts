import { useMemo } from 'react';
import { useMaterials } from '../../api/queries';
import type { Outline } from '../../api/types';
import { surfaceBy, touchLimit } from '../../model/touch';
import { usePreferences } from '../../state/screen';

/** The touch temperature limit of each part by the kind of its surface, K. */
export function useTouchLimits(outline: Outline): readonly number[] {
    const materials = useMaterials().data;
    const touch = usePreferences((s) => s.touch);
    return useMemo(() => {
        const categories = new Map(materials?.map((material) => [material.id, material.category]));
        return outline.parts.map((part) => touchLimit(part.touchedAs ?? surfaceBy(categories.get(part.material ?? ''), part.kind), touch));
    }, [outline, materials, touch]);
}
