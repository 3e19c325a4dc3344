package humble.core.beside;

import humble.core.kit.CardFolder;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.regex.Pattern;

/**
 * What a memory card cannot bear of what should lie on it. The rules are those of the file systems:
 * names, letters that no name may have, names of devices, cases that are the same, sizes.
 */
public final class CardPlan {
  private static final Pattern DEVICE =
      Pattern.compile("(?i)(con|prn|aux|nul|com[0-9]|lpt[0-9])(\\..*)?");

  private static final Pattern SHORT =
      Pattern.compile("[A-Z0-9_$~!#%&'()@^`{}-]{1,8}(\\.[A-Z0-9_$~!#%&'()@^`{}-]{1,3})?");

  private static final String FORBIDDEN = "\"*:<>?|\\";
  private static final int MOST_UNITS = 255;

  /** A long name takes an entry for every thirteen letters, and one more. */
  private static final int UNITS_PER_ENTRY = 13;

  private static final int ROOT_ENTRIES = 512;

  /** The largest cluster in use: every file is rounded up to it. */
  private static final long CLUSTER = 32_768;

  private CardPlan() {}

  /** Something that is wrong, with the path on the card; empty where it is the whole card. */
  public record Problem(String path, String text) {}

  /**
   * Finds everything that is wrong.
   *
   * @param sizes the bytes of each file by where it comes from; those that are missing are not
   *     judged by size
   */
  public static List<Problem> problems(CardFolder card, Map<String, Long> sizes) {
    List<Problem> found = new ArrayList<>();
    Map<String, String> taken = new HashMap<>();
    Set<String> folders = new HashSet<>();
    long clusters = 0;
    for (CardFolder.Placed file : card.files()) {
      String path = file.to();
      name(card, path, found);
      String same = path.toUpperCase(Locale.ROOT);
      String was = taken.putIfAbsent(same, path);
      if (was != null) {
        found.add(
            new Problem(
                path,
                was.equals(path)
                    ? "It is laid there twice."
                    : "On the card it is the same as " + was + "."));
      }
      for (int slash = same.indexOf('/'); slash >= 0; slash = same.indexOf('/', slash + 1)) {
        folders.add(same.substring(0, slash));
      }
      long bytes = sizes.getOrDefault(file.from(), 0L);
      if (bytes > card.system().mostBytes()) {
        found.add(
            new Problem(path, "It has " + bytes + " bytes, more than a file of such a card may."));
      }
      clusters += (bytes + CLUSTER - 1) / CLUSTER;
    }
    taken.forEach((same, path) -> {
      if (folders.contains(same)) {
        found.add(new Problem(path, "It would be a file and a folder."));
      }
    });
    whole(card, folders.size() + clusters, found);
    return found;
  }

  private static void whole(CardFolder card, long clusters, List<Problem> found) {
    if (card.mostFiles() > 0 && card.files().size() > card.mostFiles()) {
      found.add(
          new Problem(
              "", card.files().size() + " files; the program looks at " + card.mostFiles() + "."));
    }
    if (card.bytes() > 0 && clusters * CLUSTER > card.bytes()) {
      found.add(
          new Problem(
              "", clusters * CLUSTER + " bytes are needed; the card has " + card.bytes() + "."));
    }
    int entries = 0;
    Set<String> top = new HashSet<>();
    for (CardFolder.Placed file : card.files()) {
      String name =
          file.to().contains("/") ? file.to().substring(0, file.to().indexOf('/')) : file.to();
      if (top.add(name.toUpperCase(Locale.ROOT))) {
        entries +=
            SHORT.matcher(name).matches()
                ? 1
                : 1 + (name.length() + UNITS_PER_ENTRY - 1) / UNITS_PER_ENTRY;
      }
    }
    if (card.system() == CardFolder.FileSystem.FAT16 && entries > ROOT_ENTRIES) {
      found.add(
          new Problem(
              "",
              "The top of such a card has room for "
                  + ROOT_ENTRIES
                  + " names, not "
                  + entries
                  + "."));
    }
  }

  private static void name(CardFolder card, String path, List<Problem> found) {
    if (path.startsWith("/") || path.endsWith("/") || path.contains("//")) {
      found.add(new Problem(path, "A name in it is empty."));
      return;
    }
    for (String part : path.split("/", -1)) {
      String wrong = wrong(card, part);
      if (!wrong.isEmpty()) {
        found.add(new Problem(path, wrong));
        return;
      }
    }
  }

  /** Says what is wrong with one name of a path; empty where nothing is. */
  static String wrong(CardFolder card, String part) {
    if (part.isEmpty() || part.equals(".") || part.equals("..")) {
      return "'" + part + "' leads elsewhere.";
    }
    if (part.chars().anyMatch(c -> c < 0x20 || c == 0x7f || FORBIDDEN.indexOf(c) >= 0)) {
      return "A letter in it is not allowed on such a card.";
    }
    if (part.endsWith(".") || part.endsWith(" ") || part.startsWith(" ")) {
      return "A name does not begin or end with a blank, nor end with a point.";
    }
    if (DEVICE.matcher(part).matches()) {
      return "'" + part + "' is the name of a device on some machines.";
    }
    if (part.length() > MOST_UNITS) {
      return "A name has at most " + MOST_UNITS + " letters.";
    }
    return card.shortNames() && !SHORT.matcher(part).matches()
        ? "The program finds only names of eight capital letters, a point and three."
        : "";
  }
}
