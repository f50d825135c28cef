export const launchOptions: { readonly executablePath: string | undefined; readonly args: string[] };
