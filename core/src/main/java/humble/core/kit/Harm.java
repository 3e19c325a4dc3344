package humble.core.kit;

/** What comes of fitting a part the wrong way round. */
public enum Harm {
  HARMLESS,
  DEAD,
  DAMAGE,
  DANGER;

  /** Gives what comes of reversing {@code part}. */
  public static Harm ifReversed(Part part) {
    PartKind kind = part.line().kind();
    if (part.line().particulars().unpolarised()) {
      return HARMLESS;
    }
    // A buzzer that is a coil alone sounds either way.
    return kind == PartKind.BUZZER && part.model() instanceof Model.Resistor
        ? HARMLESS
        : kind.reversed();
  }

  /** Tells whether a second, different mark is asked for before the step is done. */
  public boolean needsTwoMarks() {
    return this == DAMAGE || this == DANGER;
  }
}
