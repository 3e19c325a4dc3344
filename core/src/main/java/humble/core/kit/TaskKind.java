package humble.core.kit;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** The kinds of work that is not the fitting of a part. */
public enum TaskKind {
  /** Joints are looked at. */
  INSPECT,
  /** Something is made ready. */
  PREPARE,
  /** Something is taken off a board. */
  REMOVE,
  /** A coil is wound. */
  WIND,
  /** Wires are soldered. */
  WIRE,
  /** A cable or a plug is put on. */
  LINK,
  /** Something is set by ear, eye or meter. */
  TRIM,
  /** The board is washed. */
  CLEAN,
  /** The board is lacquered. */
  COAT,
  /** A panel is put on. */
  FIT_PANEL,
  /** Something is brought into line. */
  ALIGN,
  /** Something is glued rather than screwed: it is not opened again. */
  GLUE,
  /** The case is closed. */
  CASE,
  /** Something is measured. */
  MEASURE,
  /** Something is set. */
  CONFIGURE,
  /** A program is loaded. */
  LOAD,
  /** Something is tried. */
  TEST;

  /** Gives the one of that name in a kit file. */
  public static Optional<TaskKind> named(String name) {
    return Arrays.stream(values()).filter(each -> each.text().equals(name)).findFirst();
  }

  /** Gives the names of all, in the order told to people. */
  public static List<String> names() {
    return Arrays.stream(values()).map(TaskKind::text).toList();
  }

  /** Gives the name used in kit files. */
  public String text() {
    return name().toLowerCase(Locale.ROOT).replace('_', '-');
  }
}
