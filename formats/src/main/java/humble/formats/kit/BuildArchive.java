package humble.formats.kit;

import humble.core.build.Build;
import humble.core.build.BuildEvent;
import humble.core.build.KitChange;
import humble.core.kit.Finding;
import humble.core.kit.Kit;
import humble.core.words.ForeignText;
import humble.formats.WholeFile;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/**
 * A build with its kit as one file: an archive of the kit, with the entries of the build as lines
 * of JSON and the photos that they name.
 *
 * @param path where the file is
 * @param folder the kit in it
 * @param kit the kit as it was told when the archive was made, where it can be read
 * @param lines the entries of the build
 */
public record BuildArchive(Path path, KitFolder folder, Optional<Kit> kit, String lines) {
  /** How such a file ends. */
  public static final String ENDING = ".hcbuild";

  /** The entries of the build in it. */
  private static final String ENTRIES = "build.jsonl";

  private static final Pattern PHOTO = Pattern.compile("photos/([0-9a-f]{16,64}\\.jpg)");

  /**
   * Gives the bytes of an archive.
   *
   * @param build the build
   * @param lines its entries, as lines
   * @param photos the folder that keeps the photos of this bench
   * @throws IOException with one sentence when the kit or a photo cannot be read
   */
  public static byte[] of(Build build, String lines, Path photos) throws IOException {
    Path kit = Path.of(build.began().map(BuildEvent.Began::kitPath).orElse("."));
    Map<String, byte[]> more = new TreeMap<>();
    more.put(ENTRIES, lines.getBytes(StandardCharsets.UTF_8));
    for (KitChange change : build.kitChanges()) {
      photos(change.json(), photos, more);
    }
    for (BuildEvent.PhotoKept photo : build.photos()) {
      photos(photo.file(), photos, more);
    }
    return KitFolder.at(kit).archive(more);
  }

  /** The photos that a text names, as far as this bench has them. */
  private static void photos(String text, Path photos, Map<String, byte[]> more)
      throws IOException {
    Matcher matcher = PHOTO.matcher(text);
    while (matcher.find()) {
      Path file = photos.resolve(matcher.group(1));
      if (Files.isRegularFile(file)) {
        more.put(matcher.group(), Files.readAllBytes(file));
      }
    }
  }

  /** What opening a file came to. */
  public sealed interface Read {
    /** It is an archive. */
    record Opened(BuildArchive archive) implements Read {}

    /** It is none that can be opened. */
    record Refused(List<String> problems) implements Read {
      public Refused {
        problems = List.copyOf(problems);
      }
    }
  }

  /** Opens an archive; nothing is written. */
  public static Read open(Path path) {
    if (Files.isDirectory(path)) {
      return new Read.Refused(List.of(path + ": This is a folder, not a build as one file."));
    }
    KitFolder folder = KitFolder.at(path);
    try {
      String lines = new String(folder.bytes(ENTRIES), StandardCharsets.UTF_8);
      return switch (folder.read()) {
        case KitRead.Opened opened ->
            new Read.Opened(new BuildArchive(path, folder, Optional.of(opened.kit()), lines));
        case KitRead.Refused refused ->
            new Read.Refused(
                refused.findings().stream()
                    .filter(Finding::isError)
                    .map(Finding::toString)
                    .toList());
      };
    } catch (IOException e) {
      return new Read.Refused(
          List.of(path + ": No build that was taken along: " + e.getMessage() + "."));
    }
  }

  /**
   * Keeps the kit among those of a bench: where it is, exactly so, already, it is left as it is.
   *
   * @param kits the folder of the bench's own kits
   * @return where it is
   * @throws IOException with one sentence when it cannot be written
   */
  public Path keepKit(Path kits) throws IOException {
    byte[] mine = folder.bytes("kit.json");
    Optional<Path> there = sameIn(kits, mine);
    if (there.isPresent()) {
      return there.get();
    }
    String id = kit.map(Kit::id).orElse("kit");
    Path target = WholeFile.unused(WholeFile.within(kits, id, ""));
    folder.unpackTo(target, ENTRIES);
    return target;
  }

  private Optional<Path> sameIn(Path kits, byte[] mine) throws IOException {
    if (!Files.isDirectory(kits)) {
      return Optional.empty();
    }
    List<String> names = folder.files().stream().filter(name -> !name.equals(ENTRIES)).toList();
    try (Stream<Path> all = Files.list(kits)) {
      return all.filter(each -> same(each, names, mine)).sorted().findFirst();
    } catch (UncheckedIOException e) {
      throw new IOException(e.getCause());
    }
  }

  private boolean same(Path other, List<String> names, byte[] mine) {
    try {
      if (!Files.isRegularFile(other.resolve("kit.json"))
          || !Arrays.equals(Files.readAllBytes(other.resolve("kit.json")), mine)) {
        return false;
      }
      for (String name : names) {
        Path there = other.resolve(name);
        if (!Files.isRegularFile(there)
            || !Arrays.equals(Files.readAllBytes(there), folder.bytes(name))) {
          return false;
        }
      }
      return true;
    } catch (IOException e) {
      // What cannot be read is not the same.
      return false;
    }
  }

  /** Gives the name of the file, as far as it can be shown. */
  public String name() {
    return ForeignText.shown(String.valueOf(path.getFileName()));
  }
}
