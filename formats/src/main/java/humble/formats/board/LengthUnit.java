package humble.formats.board;

/** The unit of the lengths in a board file that does not say its own. */
public enum LengthUnit {
  /** Nobody said it: a file that does not either is refused. */
  UNSAID(0),
  MILLIMETRES(1),
  INCHES(25.4);

  private final double mm;

  LengthUnit(double mm) {
    this.mm = mm;
  }

  /** Gives how many millimetres one is; nought when it is not known. */
  double mm() {
    return mm;
  }
}
