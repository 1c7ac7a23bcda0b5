/** Each worker has a server and a database of its own, so that no test meets what another one writes at that moment. */
export const firstPort = Number(process.env['BROWSER_PORT'] ?? 8123)
export const workers = Number(process.env['BROWSER_WORKERS'] ?? 2)
