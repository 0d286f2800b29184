/** For tests: a package whose classes are called as what is handed in to every module keeps its names to itself. */
export default { process: (source) => ({ code: `(() => {${source}\n})();` }) };
