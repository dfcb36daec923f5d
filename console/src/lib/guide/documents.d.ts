/** A document of the project, made a module when the console is built. */
declare module '*.md' {
  const document: import('./pages').Document;
  export default document;
}
