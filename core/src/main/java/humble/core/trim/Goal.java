package humble.core.trim;

/** What is wanted of a reading. */
public sealed interface Goal {
  /** The least. */
  Goal MIN = new Least();

  /** The most. */
  Goal MAX = new Most();

  /** The least reading. */
  record Least() implements Goal {}

  /** The greatest reading. */
  record Most() implements Goal {}

  /** A reading of so much. */
  record Reach(double value) implements Goal {}

  /** Gives how far a reading is off what is wanted; less is better, in the reading's unit. */
  default double off(double reads) {
    return switch (this) {
      case Least least -> reads;
      case Most most -> -reads;
      case Reach reach -> Math.abs(reads - reach.value());
    };
  }
}
