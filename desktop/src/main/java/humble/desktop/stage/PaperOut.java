package humble.desktop.stage;

import humble.core.words.Words;
import humble.formats.InputFile;
import humble.formats.WholeFile;
import java.io.IOException;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.Path;
import java.util.Optional;

/**
 * A paper that a stage writes beside the journal when it is asked to: a report, a sheet of labels.
 * What is there already is replaced only when the person, being told so, asks once more.
 */
public final class PaperOut {
  /** Makes the bytes. */
  public interface Content {
    /** Gives the bytes of the file. */
    byte[] bytes() throws IOException;
  }

  private final Words words;
  private final Path folder;
  private final String name;
  private final String ending;
  private boolean asking;
  private Optional<Card.Verdict> answer = Optional.empty();

  /** Makes one for the file {@code name} in {@code folder}; the name may be a stranger's. */
  public PaperOut(Words words, Path folder, String name, String ending) {
    this.words = words;
    this.folder = folder;
    this.name = name;
    this.ending = ending;
  }

  /** Writes the file, unless one is there: then asks, and replaces it when asked again. */
  public void write(Content content) {
    boolean replacing = asking;
    asking = false;
    try {
      Path file = WholeFile.within(folder, name, ending);
      byte[] bytes = content.bytes();
      if (replacing) {
        WholeFile.replace(file, bytes);
      } else {
        WholeFile.create(file, bytes);
      }
      written(file);
    } catch (FileAlreadyExistsException e) {
      asking = true;
      answer = Optional.of(new Card.Verdict(false, words.say("paper.there", name + ending)));
    } catch (IOException e) {
      answer =
          Optional.of(
              new Card.Verdict(false, words.say("paper.not", name + ending, InputFile.reason(e))));
    }
  }

  /** Writes the file under another name beside the one that is there. */
  public void writeBeside(Content content) {
    asking = false;
    try {
      Path file = WholeFile.unused(WholeFile.within(folder, name, ending));
      WholeFile.create(file, content.bytes());
      written(file);
    } catch (IOException e) {
      answer =
          Optional.of(
              new Card.Verdict(false, words.say("paper.not", name + ending, InputFile.reason(e))));
    }
  }

  private void written(Path file) {
    answer = Optional.of(new Card.Verdict(true, words.say("paper.written", file)));
  }

  /** Tells whether a file is there and what to do with it is not said yet. */
  public boolean asking() {
    return asking;
  }

  /** Gives what came of the last writing. */
  public Optional<Card.Verdict> answer() {
    return answer;
  }
}
