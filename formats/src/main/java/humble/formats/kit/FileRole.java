package humble.formats.kit;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * The role of a board file: by the file function attribute it bears, by the first records of a
 * drill file or netlist, else by its ending or by words in its name.
 *
 * @param name as a kit names it, such as {@code copper_top} or {@code drill}
 * @param sure whether the file itself says it; a name may mislead
 */
record FileRole(String name, boolean sure) {
  private static final Pattern FUNCTION =
      Pattern.compile("TF\\.FileFunction,([A-Za-z]+)(?:,([A-Za-z0-9]+))?(?:,([A-Za-z0-9]+))?");
  private static final Pattern NETLIST_RECORD =
      Pattern.compile("(327|317)[A-Za-z0-9_/+().-].{20,}");
  private static final Pattern BARE_TOOL = Pattern.compile("(?m)^T[0-9]{1,3}.*C[0-9]*\\.[0-9]+");
  private static final Pattern INNER_ENDING = Pattern.compile("g(?:l|p|in)?([0-9]{1,2})");
  private static final Pattern INNER_WORD =
      Pattern.compile(
          "(?:^|[^a-z])(?:in|inner|plane|int)[-_. ]?([0-9]{1,2})"
              + "(?:[-_. ]?cu)?(?:[^0-9a-z]|$)");

  private static final Pattern NUMBERED =
      Pattern.compile("(?:^|[^a-z])(?:l|layer)[-_. ]?([0-9]{1,2})(?:[^0-9a-z]|$)");

  /** Endings that layout programs give, without the point. */
  private static final List<Ending> ENDINGS =
      List.of(
          new Ending("copper_top", "gtl|cmp|top|tcu"),
          new Ending("copper_bottom", "gbl|sol|bot|bcu"),
          new Ending("mask_top", "gts|stc|smt|tsm|tmk"),
          new Ending("mask_bottom", "gbs|sts|smb|bsm|bmk"),
          new Ending("legend_top", "gto|plc|sst|tsk|tlg"),
          new Ending("legend_bottom", "gbo|pls|ssb|bsk|blg"),
          new Ending("paste_top", "gtp|crc|spt|tsp"),
          new Ending("paste_bottom", "gbp|crs|spb|bsp"),
          new Ending("profile", "gko|gm1|gml|oln|dim|bor|edge"));

  private record Ending(String role, Pattern pattern) {
    Ending(String role, String pattern) {
      this(role, Pattern.compile(pattern));
    }
  }

  /**
   * Tells whether a file whose role is not told draws a layer that may be one of the board's: it
   * says nothing of its function, and its name nothing of a drawing for people.
   */
  static boolean isUnclear(String fileName, String head) {
    boolean layer = head.contains("%FS") || head.contains("%MO") || head.contains("%AD");
    return layer
        && !FUNCTION.matcher(head).find()
        && !fileName
            .toLowerCase(Locale.ROOT)
            .matches(".*(fab|assembly|courtyard|adhes|glue|drill.?(map|guide|draw)).*");
  }

  /** Tells what a file is; empty when neither it nor its name says so. */
  static Optional<FileRole> of(String fileName, String head) {
    Matcher function = FUNCTION.matcher(head);
    if (function.find()) {
      return byFunction(function.group(1), function.group(2), function.group(3))
          .map(role -> new FileRole(role, true));
    }
    String name = fileName.toLowerCase(Locale.ROOT);
    boolean layer = head.contains("%FS") || head.contains("%MO") || head.contains("%AD");
    boolean drill =
        !layer
            && (head.lines().limit(30).anyMatch(line -> line.strip().equals("M48"))
                || BARE_TOOL.matcher(head).find());
    if (drill) {
      boolean bare =
          name.matches(".*(npth|unplated|non[-_ ]?plated|nonplated).*")
              || head.replace(" ", "").contains("TYPE=NON_PLATED")
                  && !head.replace(" ", "").contains("TYPE=PLATED");
      return Optional.of(new FileRole(bare ? "drill_unplated" : "drill", true));
    }
    if (head.lines().limit(60).anyMatch(line -> NETLIST_RECORD.matcher(line).matches())) {
      return Optional.of(new FileRole("netlist", true));
    }
    return layer ? byName(name).map(role -> new FileRole(role, false)) : Optional.empty();
  }

  private static Optional<String> byFunction(
      String kind,
      @org.jspecify.annotations.Nullable String first,
      @org.jspecify.annotations.Nullable String second) {
    String which = first == null ? "" : first;
    String side = which.equals("Top") || which.equals("Bot") ? which : second == null ? "" : second;
    String end = side.equals("Top") ? "_top" : side.equals("Bot") ? "_bottom" : "";
    return switch (kind) {
      case "Copper" ->
          !end.isEmpty()
              ? Optional.of("copper" + end)
              : which.matches("L[0-9]{1,2}")
                  ? Optional.of("copper_" + which.substring(1))
                  : Optional.empty();
      case "Soldermask" -> end.isEmpty() ? Optional.empty() : Optional.of("mask" + end);
      case "Legend" -> end.isEmpty() ? Optional.empty() : Optional.of("legend" + end);
      case "Paste" -> end.isEmpty() ? Optional.empty() : Optional.of("paste" + end);
      case "Profile" -> Optional.of("profile");
      case "Plated", "MixedPlating" -> Optional.of("drill");
      case "NonPlated" -> Optional.of("drill_unplated");
      default -> Optional.empty();
    };
  }

  private static Optional<String> byName(String name) {
    int dot = name.lastIndexOf('.');
    String ending = name.substring(dot + 1);
    String stem = dot < 0 ? name : name.substring(0, dot);
    for (Ending each : ENDINGS) {
      if (each.pattern().matcher(ending).matches()) {
        return Optional.of(each.role());
      }
    }
    Matcher inner = INNER_ENDING.matcher(ending);
    if (inner.matches() && !ending.matches("gm[0-9]+|gd[0-9]+|gg[0-9]+")) {
      // Endings count the inner layers from 1; the top is layer 1 of the board.
      return Optional.of("copper_" + (Integer.parseInt(inner.group(1)) + 1));
    }
    if (ending.matches("g[0-9]{1,2}l")) {
      return Optional.of("copper_" + Integer.parseInt(ending.substring(1, ending.length() - 1)));
    }
    if (stem.matches(".*(profile|outline|edge|contour|keep.?out|board.?cut|dimension).*")) {
      return Optional.of("profile");
    }
    String side =
        stem.matches(
                ".*(bottom|bot([^a-z]|$)|back|solder.?side|(^|[-_.])b[-_.]?(cu|mask|silk|paste)).*")
            ? "_bottom"
            : stem.matches(".*(top|front|component.?side|(^|[-_.])f[-_.]?(cu|mask|silk|paste)).*")
                ? "_top"
                : "";
    if (side.isEmpty()) {
      Matcher numbered = NUMBERED.matcher(stem);
      if (numbered.find()) {
        // Layers of a whole board are counted from the top.
        int number = Integer.parseInt(numbered.group(1));
        return Optional.of(number == 1 ? "copper_top" : "copper_" + number);
      }
      Matcher word = INNER_WORD.matcher(stem);
      return word.find() && !stem.matches(".*(mask|silk|legend|paste|drill|fab|assembly).*")
          ? Optional.of("copper_" + (Integer.parseInt(word.group(1)) + 1))
          : Optional.empty();
    }
    if (stem.matches(".*mask.*")) {
      return Optional.of("mask" + side);
    }
    if (stem.matches(".*(legend|silk|print|overlay).*")) {
      return Optional.of("legend" + side);
    }
    if (stem.matches(".*(paste|stencil).*")) {
      return Optional.of("paste" + side);
    }
    if (stem.matches(".*(fab|assembly|courtyard|adhes|glue|drill).*")) {
      return Optional.empty();
    }
    boolean copper =
        stem.matches(".*(copper|cu|layer|metal|signal|etch).*")
            || stem.matches("(.*[-_. ])?(top|bottom|bot|front|back)");
    return copper ? Optional.of("copper" + side) : Optional.empty();
  }
}
