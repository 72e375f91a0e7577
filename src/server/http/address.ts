/** The address that a request came from, as the proxy in front tells it; empty where there is none. */
export const addressOf = (request: Request): string => request.headers.get('x-forwarded-for')?.split(',')[0]?.trim() ?? '';
