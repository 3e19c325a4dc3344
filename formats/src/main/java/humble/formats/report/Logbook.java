package humble.formats.report;

import java.util.List;
import java.util.Optional;

/**
 * The logbook of a build as a row of blocks, whatever file it is then written to. What somebody
 * wrote stands between {@link #ISOLATE} and {@link #END_OF_ISOLATE}.
 *
 * @param language tag of its language
 * @param title what the build is called, on one line
 * @param blocks what stands in it, in order
 */
record Logbook(String language, String title, List<Block> blocks) {
  /** Marks in the text where a name begins and ends. */
  static final char ISOLATE = '\u2068';

  static final char END_OF_ISOLATE = '\u2069';

  Logbook {
    blocks = List.copyOf(blocks);
  }

  /** One thing that stands in a logbook. */
  sealed interface Block {}

  /** The name of the whole. */
  record Title(String text) implements Block {}

  /** The name of what follows. */
  record Heading(String text) implements Block {}

  /** Some sentences; {@code strong} where a glance has to meet them. */
  record Text(String text, boolean strong) implements Block {}

  /** Sentences below each other. */
  record Bullets(List<String> items) implements Block {
    Bullets {
      items = List.copyOf(items);
    }
  }

  /**
   * A photo that was kept.
   *
   * @param text what it shows, and when it was kept
   * @param jpeg its bytes; empty where it is not there any more
   */
  record Photo(String text, Optional<byte[]> jpeg) implements Block {}

  /** Rows of cells. */
  record Table(List<Row> rows) implements Block {
    Table {
      rows = List.copyOf(rows);
    }
  }

  /**
   * A row of a table.
   *
   * @param gone whether it was taken back
   */
  record Row(List<String> cells, boolean gone) {
    Row {
      cells = List.copyOf(cells);
    }

    static Row of(String... cells) {
      return new Row(List.of(cells), false);
    }
  }

  /** Gives a text without the marks around names, for files that know nothing like them. */
  static String plain(String text) {
    return text.replace(String.valueOf(ISOLATE), "").replace(String.valueOf(END_OF_ISOLATE), "");
  }
}
