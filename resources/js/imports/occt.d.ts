declare module 'occt-import-js' {
    export default function load(options: { locateFile: (path: string) => string }): Promise<unknown>;
}
