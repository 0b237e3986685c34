/** Says while the tests run how far they are: every tenth file, with what is red so far. */
export default class Progress {
  #all = 0;
  #done = 0;
  #red = 0;
  #from = 0;

  onTestRunStart(files) {
    this.#all = files.length;
    this.#from = performance.now();
  }

  onTestModuleEnd(module) {
    this.#done++;
    if (module.state() === 'failed') this.#red++;
    if (this.#done % 10 !== 0 && this.#done !== this.#all) return;
    const minutes = ((performance.now() - this.#from) / 60_000).toFixed(1);
    process.stdout.write(`zinc-pail: ${this.#done} of ${this.#all} files after ${minutes} min, ${this.#red} red\n`);
  }
}
