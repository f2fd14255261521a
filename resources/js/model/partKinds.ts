/** The words of the screen for the shape kinds of the model document, where they differ. */
export const partKinds: Record<string, string> = { plateFins: 'heat sink', shell: 'box', pinFins: 'pin sink', mesh: 'body', vias: 'via field' };
