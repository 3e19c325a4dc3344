package humble.desktop.stage;

/** How far a stage, an item or a row has come; shown as a shape. */
public enum Standing {
  TO_DO,
  NOW,
  DONE,
  DEVIATED,
  /** Guessed, and nobody has looked. */
  GUESSED;

  /** Gives the name the pen knows. */
  public String shape() {
    return switch (this) {
      case TO_DO -> "todo";
      case NOW -> "now";
      case DONE -> "done";
      case DEVIATED -> "deviated";
      case GUESSED -> "guessed";
    };
  }
}
