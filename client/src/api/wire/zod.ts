import * as z from 'zod/mini';

// Without this it tries to compile its checks from text, which our content-security policy refuses and browsers report.
z.config({ jitless: true });

export { z };
