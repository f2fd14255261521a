function isSoftware(): boolean {
    const context = document.createElement('canvas').getContext('webgl2');
    const names = context?.getExtension('WEBGL_debug_renderer_info');
    const renderer = String(context?.getParameter(names ? names.UNMASKED_RENDERER_WEBGL : context.RENDERER) ?? '');
    context?.getExtension('WEBGL_lose_context')?.loseContext();
    return /swiftshader|llvmpipe|software|basic render/i.test(renderer);
}

/** Whether pictures are drawn by the processor, which takes time from a run. */
export const software = isSoftware();
