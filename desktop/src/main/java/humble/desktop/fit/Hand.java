package humble.desktop.fit;

import humble.desktop.draw.Mat;
import humble.desktop.stage.Card;

/** Something done within a step of fitting that has a card and a picture of its own. */
interface Hand {
  /** Gives the card. */
  Card card();

  /** Gives the picture. */
  Mat mat();

  /** Does what the large button says. */
  void enter(String typed);

  /** Takes a digit where no field is open; 0 puts the hand away. */
  void digit(int digit);

  /** Goes to the next candidate. */
  default void plus() {}

  /** Tells that the text of the field changed. */
  default void typing(String typed) {}

  /** Tells whether nothing is left to do, or it was put away. */
  boolean over();
}
