package humble.desktop.beside;

import humble.core.beside.LibraryState;
import humble.core.build.BuildEvent;
import humble.core.kit.Library;
import humble.core.kit.Setting;
import humble.core.settings.SettingsCheck;
import humble.desktop.draw.Mat;
import humble.desktop.hand.Hand;
import humble.desktop.session.Errand;
import humble.desktop.session.OwnFiles;
import humble.desktop.stage.Card;
import humble.desktop.stage.Standing;
import humble.desktop.stage.Takes;
import humble.formats.InputFile;
import humble.formats.ReadingBudget;
import humble.formats.settings.LibraryFolder;
import humble.formats.settings.SettingsFile;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.BooleanSupplier;
import org.jspecify.annotations.Nullable;

/**
 * What a library was like when it worked, kept by the hashes of its files; and what has changed
 * since, an edit that an update has undone by name. Where it lies and what is in it stays in files
 * of the maker's own.
 */
final class LibraryHand extends Hand {
  private static final int MOST_ROWS = 5;
  private static final long MOST_BYTES = 16L << 20;

  private final BesideBench bench;
  private final Library library;
  private Errand<?> reading = Errand.over();
  private String folder = "";
  private String trouble = "";
  private @Nullable LibraryState now;
  private @Nullable LibraryState kept;
  private List<String> undone = List.of();

  LibraryHand(BesideBench bench, Library library) {
    super(bench.seat());
    this.bench = bench;
    this.library = library;
    read("");
  }

  private String file(String ending) {
    return library.id() + ending;
  }

  /** What was read, or why it was not. */
  private record Found(
      String folder,
      Optional<LibraryState> state,
      Optional<LibraryState> kept,
      List<String> undone,
      String trouble) {}

  /**
   * Reads the library, and what was kept of it.
   *
   * @param typed where it lies; empty for where it lay
   */
  private void read(String typed) {
    OwnFiles files = bench.files();
    List<Setting> settings = bench.open().kit().firmware().settings();
    Map<String, String> made = Map.copyOf(bench.open().build().settings());
    reading =
        own(
            bench
                .open()
                .works()
                .talk(
                    "library",
                    calledOff -> found(files, typed, settings, made, calledOff),
                    this::take));
  }

  private Found found(
      OwnFiles files,
      String typed,
      List<Setting> settings,
      Map<String, String> made,
      BooleanSupplier calledOff) {
    Optional<LibraryState> was = Optional.empty();
    String at = typed;
    try {
      Optional<String> text = files.text(file(".library"));
      at = typed.isEmpty() ? files.text(file(".folder")).orElse("").strip() : typed;
      if (text.isPresent()) {
        switch (LibraryState.read(text.get())) {
          case LibraryState.Read.Whole whole -> was = Optional.of(whole.state());
          case LibraryState.Read.Unreadable bad -> {
            return new Found(
                "",
                Optional.empty(),
                was,
                List.of(),
                say("beside.library.damaged", file(".library"), bad.line()));
          }
        }
      }
      if (at.isEmpty()) {
        return new Found("", Optional.empty(), was, List.of(), "");
      }
      LibraryState state = LibraryFolder.read(Path.of(at), calledOff);
      return new Found(at, Optional.of(state), was, undone(Path.of(at), state, settings, made), "");
    } catch (IOException e) {
      return new Found(at, Optional.empty(), was, List.of(), InputFile.reason(e));
    } catch (InvalidPathException e) {
      return new Found("", Optional.empty(), was, List.of(), say("beside.library.no-path"));
    }
  }

  private void take(Found found) {
    now = found.state().orElse(null);
    kept = found.kept().orElse(null);
    undone = found.undone();
    trouble = found.trouble();
    folder = found.folder();
    passWhereSame();
  }

  private static List<String> undone(
      Path folder, LibraryState state, List<Setting> settings, Map<String, String> made)
      throws IOException {
    List<String> gone = new ArrayList<>();
    for (Setting setting : settings) {
      String name = setting.file().substring(setting.file().lastIndexOf('/') + 1);
      String wanted = made.getOrDefault(setting.id(), "");
      for (String path : state.files().keySet()) {
        boolean here = path.equals(name) || path.endsWith("/" + name);
        if (here && !wanted.isEmpty() && !setting.isPrivate()) {
          String text =
              new String(
                  InputFile.bytes(folder.resolve(path), MOST_BYTES, ReadingBudget.usual()),
                  StandardCharsets.ISO_8859_1);
          List<String> on = SettingsCheck.of(setting, SettingsFile.read(name, text)).on();
          if (on.size() != 1 || !SettingsCheck.bare(on.getFirst()).equals(wanted)) {
            gone.add(setting.id() + " (" + path + ")");
          }
        }
      }
    }
    return gone;
  }

  /** What is as it was needs no word. */
  private void passWhereSame() {
    LibraryState was = kept;
    LibraryState is = now;
    boolean same = was != null && is != null && is.since(was).isNone();
    bench.changed(library.id(), was != null && is != null && !same);
    if (same) {
      bench.leave(library.id());
    }
  }

  @Override
  public Card card() {
    Card.Maker card =
        seat.card(
            say("beside.kicker", library.id()),
            library.title().isEmpty() ? library.id() : library.title());
    if (!library.say().isEmpty()) {
      card.how(library.say());
    }
    if (!trouble.isEmpty()) {
      card.verdict(false, trouble);
    }
    if (reading.isRunning()) {
      card.key(Card.ESC, say("load.stop"), reading::cancel);
      return card.notYet(say("beside.library.reading"));
    }
    card.key('.', say("wake.later"), () -> bench.leave(library.id()));
    LibraryState is = now;
    if (is == null) {
      card.how(say("beside.library.where"));
      card.field(typed().text(), "", Takes.PATH);
      String text = typed().text().strip();
      return text.isEmpty()
          ? card.notYet(say("load.setting.type"))
          : card.go(say("beside.library.look"), () -> read(text));
    }
    card.why(say("beside.library.private"));
    undone.stream()
        .limit(MOST_ROWS)
        .forEach(each -> card.row(Standing.DEVIATED, say("beside.library.undone", each)));
    LibraryState was = kept;
    if (was == null) {
      card.how(say("beside.library.files", is.files().size()));
      return card.go(say("beside.library.keep"), () -> keep(is));
    }
    LibraryState.Change change = is.since(was);
    card.verdict(
        false,
        say(
            "beside.library.changed",
            change.changed().size(),
            change.added().size(),
            change.removed().size()));
    card.key('0', say("beside.library.keep-new"), () -> keep(is));
    return card.go(say("beside.library.again"), () -> read(folder));
  }

  private void keep(LibraryState state) {
    try {
      bench.files().write(file(".library"), state.text());
      bench.files().write(file(".folder"), folder);
      typed().clear();
      bench.leave(library.id());
      bench.changed(library.id(), false);
      bench
          .open()
          .act(
              new BuildEvent.BesideDone(
                  library.id(),
                  BuildEvent.BesideDone.LIBRARY,
                  state.files().size(),
                  undone.isEmpty(),
                  false,
                  ""));
    } catch (IOException e) {
      trouble = file(".library") + ": " + InputFile.reason(e);
    }
  }

  @Override
  public Mat mat() {
    List<BesideMat.Line> lines = new ArrayList<>();
    LibraryState is = now;
    LibraryState was = kept;
    if (is != null && was != null) {
      LibraryState.Change change = is.since(was);
      change
          .changed()
          .forEach(path -> lines.add(line("ailing", path, "beside.library.is-changed")));
      change.removed().forEach(path -> lines.add(line("ailing", path, "beside.library.is-gone")));
      change.added().forEach(path -> lines.add(line("now", path, "beside.library.is-new")));
    } else if (is != null) {
      is.files().keySet().forEach(path -> lines.add(new BesideMat.Line("todo", path, "")));
    }
    return BesideMat.of(seat, library.title().isEmpty() ? library.id() : library.title(), lines);
  }

  private BesideMat.Line line(String standing, String path, String key) {
    return new BesideMat.Line(standing, path, say(key));
  }
}
