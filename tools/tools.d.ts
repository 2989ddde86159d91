declare module '*/build.mjs' {
  export function buildApplication(root: string, say: (text: string) => void): Promise<void>;
}
declare module '*/chromium.mjs' {
  export function chromium(say?: (text: string) => void): string;
}
declare module '*/database.mjs' {
  export function startCluster(wanted: {
    folder: string;
    say?: (text: string) => void;
    forTests?: boolean;
  }): Promise<{ url: string; stop(): Promise<void> }>;
}
