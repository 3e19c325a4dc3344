package humble.desktop.stage;

import humble.core.words.Words;

/** What a stage may ask of the window it stands in. */
public interface Desk {
  /** Goes to a stage. */
  void go(StageId stage);

  /** Draws card and mat anew; may be called from any thread. */
  void refresh();

  /** Empties the field, or puts a text into it. */
  void type(String text);

  /** Opens the field for a remark. */
  void note();

  /** Gives the words. */
  Words words();

  /** Gives the core's words. */
  Words coreWords();
}
