package humble.desktop.stage;

import humble.core.words.Words;
import java.nio.file.Path;
import java.util.function.Consumer;

/** What a stage may ask of the window it stands in. */
public interface Desk {
  /** Goes to a stage. */
  void go(StageId stage);

  /** Shows a stage that has no pad of its own on the trace. */
  void show(Stage stage);

  /** Hands the stage what was copied elsewhere. */
  void paste();

  /** Asks for a file in the system's own way; nothing happens when none is chosen. */
  void chooseFile(String title, Consumer<Path> then);

  /** Asks for a folder in the system's own way; nothing happens when none is chosen. */
  void chooseFolder(String title, Consumer<Path> then);

  /** Shows a file in the program that the system has for it; tells whether there is one. */
  boolean showFile(Path file);

  /** Draws card and mat anew; may be called from any thread. */
  void refresh();

  /** Empties the field, or puts a text into it. */
  void type(String text);

  /** Takes the last act back, and enters the stage anew. */
  void back();

  /** Says that something is wrong here: opens the search for it. */
  void wrong();

  /** Opens the guide at a page. */
  void guide(String page);

  /** Opens practice. */
  void practise();

  /** Opens the field for a remark. */
  void note();

  /** Gives the words. */
  Words words();

  /** Gives the core's words. */
  Words coreWords();
}
