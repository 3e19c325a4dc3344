package humble.desktop.keys;

import java.nio.file.Path;
import java.util.Optional;
import java.util.function.Consumer;

/** What the window does for the keys. */
public interface Face {
  /** Shows everything anew; called on the interface thread only. */
  void show();

  /** Runs something on the interface thread soon. */
  void later(Runnable work);

  /** Tells whether this is the interface thread. */
  boolean isHere();

  /** Asks for a file in the system's own way. */
  void chooseFile(String title, Consumer<Path> then);

  /** Asks for a folder in the system's own way. */
  void chooseFolder(String title, Consumer<Path> then);

  /** Shows a file in the program that the system has for it; tells whether there is one. */
  boolean showFile(Path file);

  /** Gives the text that was copied elsewhere. */
  Optional<String> copied();

  /** Folds the reasons on the card in or out. */
  void foldReasons();

  /** Says that something is being waited for, or no longer. */
  void waiting(boolean on);
}
