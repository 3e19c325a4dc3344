package humble.desktop.stage;

import humble.desktop.draw.Mat;

/**
 * One stage at the bench: what it shows, and what the keys do in it. Made anew whenever it is
 * entered.
 */
public interface Stage {
  /** Gives the card for what is now. */
  Card card();

  /** Gives the picture for what is now. */
  Mat mat();

  /** Does what the large button says; {@code typed} is the text of the field. */
  void enter(String typed);

  /** Goes to the next candidate. */
  default void plus() {}

  /** Takes a digit where no field is open. */
  default void digit(int digit) {}

  /** Tells that the text of the field changed. */
  default void typing(String typed) {}

  /** Takes a letter where no field is open; in upper case. */
  default void letter(char letter) {}

  /** Tells whether a text typed here may begin with {@code letter}. */
  default boolean takesLetter(char letter) {
    return false;
  }

  /** Tells whether a reading typed here may be negative. */
  default boolean takesSign() {
    return false;
  }

  /** Takes a click on what the mat calls {@code spot}. */
  default void pick(String spot) {}

  /** Takes a drag from one thing on the mat onto another. */
  default void drag(String from, String to) {}

  /** Pulls the picture by so many pixels; tells whether it follows. */
  default boolean pull(double dx, double dy) {
    return false;
  }

  /** Turns the wheel over the picture, up or down. */
  default void wheel(boolean up) {}

  /** Tells whether the field takes any text, blanks and signs included. */
  default boolean takesText() {
    return false;
  }

  /** Takes a text that was pasted or read from a file. */
  default void paste(String text) {}

  /** Asks for a file to open, where the stage takes one. */
  default void openFile() {}

  /** Takes back the last thing where the stage keeps its own; tells whether it did. */
  default boolean takeBack() {
    return false;
  }

  /** Stops long work that is under way; tells whether there was any. */
  default boolean cancel() {
    return false;
  }
}
