package humble.formats.kit;

import humble.core.beside.CardPlan;
import humble.core.kit.Beside;
import humble.core.kit.Board;
import humble.core.kit.CardFolder;
import humble.core.kit.Finding;
import humble.core.kit.Firmware;
import humble.core.kit.Kit;
import java.io.IOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeSet;

/** Looks for every file that a kit names, without reading one. */
final class FilesNamed {
  private final KitFolder folder;
  private final Map<String, Optional<Finding>> known = new HashMap<>();
  private final List<Finding> all = new ArrayList<>();

  private FilesNamed(KitFolder folder) {
    this.folder = folder;
  }

  /** Gives what is wrong with the files of a kit. */
  static List<Finding> of(KitFolder folder, Kit kit) {
    FilesNamed named = new FilesNamed(folder);
    for (int i = 0; i < kit.boards().size(); i++) {
      Board board = kit.boards().get(i);
      for (String role : new TreeSet<>(board.files().keySet())) {
        named.isThere(
            "/boards/" + i + "/files/" + Cursor.escape(role), board.files().getOrDefault(role, ""));
      }
      for (int k = 0; k < board.photos().size(); k++) {
        named.isThere("/boards/" + i + "/photos/" + k + "/file", board.photos().get(k).file());
      }
    }
    named.firmware(kit.firmware());
    named.beside(kit.firmware().beside());
    return named.all;
  }

  private void firmware(Firmware firmware) {
    for (int i = 0; i < firmware.images().size(); i++) {
      isThere("/firmware/images/" + i + "/file", firmware.images().get(i).file());
      List<String> with = firmware.images().get(i).with();
      for (int k = 0; k < with.size(); k++) {
        isThere("/firmware/images/" + i + "/with/" + k, with.get(k));
      }
    }
    for (int i = 0; i < firmware.toggled().size(); i++) {
      isThere("/firmware/toggled/" + i + "/file", firmware.toggled().get(i).file());
    }
    for (int i = 0; i < firmware.settings().size(); i++) {
      isThere("/firmware/settings/" + i + "/file", firmware.settings().get(i).file());
    }
  }

  private void beside(Beside beside) {
    for (int i = 0; i < beside.channels().size(); i++) {
      isThere("/firmware/channels/" + i + "/file", beside.channels().get(i).file());
    }
    for (int i = 0; i < beside.cards().size(); i++) {
      List<CardFolder.Placed> files = beside.cards().get(i).files();
      for (int k = 0; k < files.size(); k++) {
        isThere("/firmware/cards/" + i + "/files/" + k + "/from", files.get(k).from());
      }
      card(i, beside.cards().get(i));
    }
  }

  /** What a card cannot bear is known before there is one. */
  private void card(int number, CardFolder card) {
    Map<String, Long> sizes = new HashMap<>();
    for (CardFolder.Placed file : card.files()) {
      size(file.from()).ifPresent(bytes -> sizes.put(file.from(), bytes));
    }
    CardPlan.problems(card, sizes)
        .forEach(problem ->
            all.add(
                Finding.error(
                    "kit.json#/firmware/cards/" + number,
                    (problem.path().isEmpty() ? "" : problem.path() + ": ") + problem.text())));
  }

  /** That a file is missing is said where it is named. */
  private Optional<Long> size(String name) {
    try {
      return KitFolder.inside(name) ? Optional.of(folder.size(name)) : Optional.empty();
    } catch (IOException e) {
      return Optional.empty();
    }
  }

  /** A name that stands in many places is looked up once. */
  private void isThere(String pointer, String name) {
    known
        .computeIfAbsent(name, this::missing)
        .ifPresent(
            found -> all.add(new Finding(found.level(), "kit.json#" + pointer, found.text())));
  }

  private Optional<Finding> missing(String name) {
    if (!KitFolder.inside(name)) {
      return Optional.of(Finding.error("", "'" + name + "' leads out of the kit."));
    }
    return size(name).isPresent()
        ? Optional.empty()
        : Optional.of(Finding.warning("", "The file " + name + " is not there."));
  }
}
