package humble.formats.kit;

import humble.core.kit.Beside;
import humble.core.kit.CardFolder;
import humble.core.kit.Channels;
import humble.core.kit.Library;
import humble.core.kit.ModulePage;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;

/** Reads what stands beside the programs. */
final class BesideJson {
  private BesideJson() {}

  static Beside read(Cursor c) {
    Beside beside =
        new Beside(
            c.each("channels", BesideJson::channels),
            c.each("cards", BesideJson::card),
            c.each("pages", BesideJson::page),
            c.each("libraries", BesideJson::library));
    Set<String> ids = new HashSet<>();
    Stream.of(
            beside.channels().stream().map(Channels::id),
            beside.cards().stream().map(CardFolder::id),
            beside.pages().stream().map(ModulePage::id),
            beside.libraries().stream().map(Library::id))
        .flatMap(each -> each)
        .filter(id -> !ids.add(id))
        .forEach(id -> c.error("", "Two things beside the programs are called '" + id + "'."));
    return beside;
  }

  private static Channels channels(Cursor c) {
    Double low = c.has("low") ? c.maybeNumber("low") : null;
    Double high = c.has("high") ? c.maybeNumber("high") : null;
    Double step = c.has("step") ? c.maybeNumber("step") : null;
    if (low != null && high != null && low > high) {
      c.error("low", "It is above 'high'.");
    }
    if (step != null && step <= 0) {
      c.error("step", "It must be more than 0.");
      step = null;
    }
    return new Channels(
        c.needId("id"),
        c.needText("file"),
        c.text("title"),
        c.needText("key"),
        low,
        high,
        step,
        c.texts("unique"),
        Math.max(0, c.whole("max", 0)),
        Math.max(0, c.whole("name_max", 0)),
        c.flag("rising", false),
        c.flag("transmits", false));
  }

  private static CardFolder card(Cursor c) {
    String system = c.maybeText("system").orElse(CardFolder.FileSystem.FAT32.text());
    if (CardFolder.FileSystem.named(system).isEmpty()) {
      c.error("system", "It is fat16, fat32 or exfat.");
    }
    return new CardFolder(
        c.needId("id"),
        c.text("title"),
        CardFolder.FileSystem.named(system).orElse(CardFolder.FileSystem.FAT32),
        (long) c.numberFrom("bytes", 0, 0),
        Math.max(0, c.whole("most_files", 0)),
        c.flag("short_names", false),
        List.copyOf(
            c.each("files", f -> new CardFolder.Placed(f.needText("from"), f.needText("to")))),
        c.text("expect"));
  }

  private static ModulePage page(Cursor c) {
    ModulePage page =
        new ModulePage(
            c.needId("id"),
            c.text("title"),
            c.text("open"),
            c.each(
                "fields",
                f ->
                    new ModulePage.Field(
                        f.needId("id"),
                        f.needText("label"),
                        f.text("say"),
                        f.text("value"),
                        f.flag("private", false),
                        f.flag("required", false))),
            c.text("restart"),
            c.text("expect"));
    Set<String> ids = new HashSet<>();
    page.fields().stream()
        .map(ModulePage.Field::id)
        .filter(id -> !ids.add(id))
        .forEach(id -> c.error("fields", "Two fields are called '" + id + "'."));
    return page;
  }

  private static Library library(Cursor c) {
    return new Library(c.needId("id"), c.text("title"), c.text("say"));
  }
}
