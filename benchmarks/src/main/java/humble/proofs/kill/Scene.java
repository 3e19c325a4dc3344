package humble.proofs.kill;

/** How a window comes to its end. */
enum Scene {
  /** Killed at a random moment, the start of the program included. */
  MOMENT,
  /** Killed at a system call that writes, syncs or cuts the journal. */
  CALL,
  /** Its disk fills up; room is made; then it is killed. */
  FULL,
  /** Two windows on one bench, both killed. */
  TWO,
  /** Driven through the window itself, and killed at a random moment. */
  WINDOW
}
