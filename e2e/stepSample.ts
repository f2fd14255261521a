type Point = [number, number, number];

/** A STEP file (AP214, millimetres) of solid boxes, as a CAD program would write it. */
export function stepFile(boxes: { name: string; min: Point; max: Point }[]): string {
    const lines: string[] = [];
    const add = (text: string): string => {
        lines.push(`#${lines.length + 1}=${text};`);
        return `#${lines.length}`;
    };
    const real = (v: number) => (Number.isInteger(v) ? `${v}.` : String(v));
    const triple = (p: readonly number[]) => `(${p.map(real).join(',')})`;
    const point = (p: readonly number[]) => add(`CARTESIAN_POINT('',${triple(p)})`);
    const direction = (p: readonly number[]) => add(`DIRECTION('',${triple(p)})`);

    const application = add("APPLICATION_CONTEXT('automotive design')");
    add(`APPLICATION_PROTOCOL_DEFINITION('international standard','automotive_design',2000,${application})`);
    const productContext = add(`PRODUCT_CONTEXT('',${application},'mechanical')`);
    const definitionContext = add(`PRODUCT_DEFINITION_CONTEXT('part definition',${application},'design')`);
    const length = add('(LENGTH_UNIT()NAMED_UNIT(*)SI_UNIT(.MILLI.,.METRE.))');
    const angle = add('(NAMED_UNIT(*)PLANE_ANGLE_UNIT()SI_UNIT($,.RADIAN.))');
    const solid = add('(NAMED_UNIT(*)SI_UNIT($,.STERADIAN.)SOLID_ANGLE_UNIT())');
    const uncertainty = add(`UNCERTAINTY_MEASURE_WITH_UNIT(LENGTH_MEASURE(1.E-07),${length},'distance_accuracy_value','')`);
    const context = add(
        `(GEOMETRIC_REPRESENTATION_CONTEXT(3)GLOBAL_UNCERTAINTY_ASSIGNED_CONTEXT((${uncertainty}))GLOBAL_UNIT_ASSIGNED_CONTEXT((${length},${angle},${solid}))REPRESENTATION_CONTEXT('',''))`,
    );

    for (const { name, min, max } of boxes) {
        const at = (i: number): Point => [i & 1 ? max[0] : min[0], i & 2 ? max[1] : min[1], i & 4 ? max[2] : min[2]];
        const vertices = [...Array(8).keys()].map((i) => add(`VERTEX_POINT('',${point(at(i))})`));
        const edges = new Map<string, string>();
        const edge = (a: number, b: number): string => {
            const [from, to] = a < b ? [a, b] : [b, a];
            const key = `${from} ${to}`;
            if (!edges.has(key)) {
                const along = at(to).map((v, n) => v - at(from)[n]!);
                const size = Math.hypot(...along);
                const line = add(`LINE('',${point(at(from))},${add(`VECTOR('',${direction(along.map((v) => v / size))},1.)`)})`);
                edges.set(key, add(`EDGE_CURVE('',${vertices[from]},${vertices[to]},${line},.T.)`));
            }
            return add(`ORIENTED_EDGE('',*,*,${edges.get(key)},${a < b ? '.T.' : '.F.'})`);
        };
        // Corners of each face, seen from outside against the clock.
        const faces: [number[], Point, Point][] = [
            [
                [0, 4, 6, 2],
                [-1, 0, 0],
                [0, 1, 0],
            ],
            [
                [1, 3, 7, 5],
                [1, 0, 0],
                [0, 1, 0],
            ],
            [
                [0, 1, 5, 4],
                [0, -1, 0],
                [1, 0, 0],
            ],
            [
                [2, 6, 7, 3],
                [0, 1, 0],
                [1, 0, 0],
            ],
            [
                [0, 2, 3, 1],
                [0, 0, -1],
                [1, 0, 0],
            ],
            [
                [4, 5, 7, 6],
                [0, 0, 1],
                [1, 0, 0],
            ],
        ];
        const shell = faces.map(([corners, normal, across]) => {
            const loop = add(`EDGE_LOOP('',(${corners.map((c, n) => edge(c, corners[(n + 1) % 4]!)).join(',')}))`);
            const plane = add(`PLANE('',${add(`AXIS2_PLACEMENT_3D('',${point(at(corners[0]!))},${direction(normal)},${direction(across)})`)})`);
            return add(`ADVANCED_FACE('',(${add(`FACE_OUTER_BOUND('',${loop},.T.)`)}),${plane},.T.)`);
        });
        const brep = add(`MANIFOLD_SOLID_BREP('${name}',${add(`CLOSED_SHELL('',(${shell.join(',')}))`)})`);
        const origin = add(`AXIS2_PLACEMENT_3D('',${point([0, 0, 0])},${direction([0, 0, 1])},${direction([1, 0, 0])})`);
        const shape = add(`ADVANCED_BREP_SHAPE_REPRESENTATION('${name}',(${origin},${brep}),${context})`);
        const product = add(`PRODUCT('${name}','${name}','',(${productContext}))`);
        const formation = add(`PRODUCT_DEFINITION_FORMATION('','',${product})`);
        const definition = add(`PRODUCT_DEFINITION('design','',${formation},${definitionContext})`);
        add(`SHAPE_DEFINITION_REPRESENTATION(${add(`PRODUCT_DEFINITION_SHAPE('','',${definition})`)},${shape})`);
    }
    return `ISO-10303-21;\nHEADER;\nFILE_DESCRIPTION((''),'2;1');\nFILE_NAME('','',(''),(''),'','','');\nFILE_SCHEMA(('AUTOMOTIVE_DESIGN'));\nENDSEC;\nDATA;\n${lines.join('\n')}\nENDSEC;\nEND-ISO-10303-21;\n`;
}
