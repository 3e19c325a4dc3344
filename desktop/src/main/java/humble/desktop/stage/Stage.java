package humble.desktop.stage;

import humble.desktop.draw.Mat;

/**
 * One stage at the bench: its card says what is now and what every key does, its mat shows it. Made
 * anew whenever it is entered.
 */
public interface Stage {
  /** Gives the card for what is now. */
  Card card();

  /** Gives the picture for what is now. */
  Mat mat();

  /** Gives what is typed into its field. */
  Typed typed();

  /** Gives the page of the guide about it; empty for that of the stage on the trace. */
  default String guidePage() {
    return "";
  }

  /** Takes a click on what the mat calls {@code spot}. */
  default void pick(String spot) {}

  /** Takes a drag from one thing on the mat onto another. */
  default void drag(String from, String to) {}

  /** Pulls the picture by so many pixels; tells whether it follows. */
  default boolean pull(double dx, double dy) {
    return false;
  }

  /** Takes a click beside everything that the mat names, in pixels of the mat. */
  default void point(double x, double y) {}

  /** Follows the pointer over the mat; tells whether the picture changes with it. */
  default boolean hover(double x, double y) {
    return false;
  }

  /** Turns the wheel over the picture, up or down. */
  default void wheel(boolean up) {}

  /** Takes a text that was pasted or read from a file. */
  default void paste(String text) {}

  /** Asks for a file to open, where the stage takes one. */
  default void openFile() {}

  /** Tells that the stage is left: what it asked of the background is called off. */
  default void left() {}
}
