declare module '*/build.mjs' {
  export function buildApplication(root: string, say: (text: string) => void): Promise<void>;
}
declare module '*/bundle.mjs' {
  export function serverBundle(root: string): Promise<string>;
  export function serverCommand(file: string): [string, string[]];
}
declare module '*/log-file.mjs' {
  export function logFile(
    path: string,
    mostBytes?: number,
  ): { write(chunk: Buffer): void; close(): void; parts(): string[] };
}
declare module '*/chromium.mjs' {
  export function chromium(say?: (text: string) => void): string;
}
declare module '*/database.mjs' {
  export function runningCluster(folder: string): string | undefined;
  export function postgresPrograms(): string | undefined;
  export function debianProgram(names: readonly string[], packageName: string, what: string): string;
  export function startCluster(wanted: {
    folder: string;
    say?: (text: string) => void;
    forTests?: boolean;
    keepRunning?: boolean;
  }): Promise<{ url: string; stop(): Promise<void> }>;
}
