package humble.formats.kit;

import humble.core.kit.Finding;
import java.util.ArrayList;
import java.util.List;

/** Collects findings with their JSON pointers while a kit file is read. */
final class Findings {
  private final List<Finding> all = new ArrayList<>();

  void error(String pointer, String text) {
    all.add(Finding.error("kit.json#" + pointer, text));
  }

  void note(String pointer, String text) {
    all.add(Finding.note("kit.json#" + pointer, text));
  }

  List<Finding> all() {
    return all;
  }
}
