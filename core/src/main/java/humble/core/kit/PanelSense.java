package humble.core.kit;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/** What a front panel names that is not there, and programs that could not be toggled in. */
final class PanelSense {
  private final Kit kit;
  private final Set<String> refs;
  private final List<Finding> findings = new ArrayList<>();

  private PanelSense(Kit kit, Set<String> refs) {
    this.kit = kit;
    this.refs = refs;
  }

  static List<Finding> of(Kit kit, Set<String> refs) {
    PanelSense sense = new PanelSense(kit, refs);
    Panel panel = kit.firmware().panel();
    if (panel != null) {
      sense.panel(panel);
    }
    sense.programs(panel);
    return sense.findings;
  }

  private void panel(Panel panel) {
    String at = "/firmware/panel/";
    refs(at + "processor", List.of(panel.processor()));
    refs(at + "memory", List.of(panel.memory()));
    refs(at + "data", panel.data());
    refs(at + "address", panel.address());
    refs(at + "switches", panel.switches());
    panel.keys().forEach((key, pressed) -> refs(at + "keys/" + key.text(), pressed));
    nets(at + "data_lines", panel.dataLines());
    nets(at + "address_lines", panel.addressLines());
    if (panel.switches().size() != Panel.BITS) {
      error(at + "switches", "A byte has 8 switches, bit 0 first.");
    }
    if (panel.data().size() != Panel.BITS) {
      error(at + "data", "A byte has 8 lights, bit 0 first.");
    }
    if (!panel.keys().containsKey(Panel.Key.EXAMINE)
        || !panel.keys().containsKey(Panel.Key.DEPOSIT)
        || !panel.keys().containsKey(Panel.Key.RUN)) {
      error(at + "keys", "Without 'examine', 'deposit' and 'run' nothing is toggled in and run.");
    }
    if (panel.dataLines().size() < Panel.BITS || panel.addressLines().size() < Panel.BITS) {
      findings.add(
          Finding.warning(
              "kit.json#/firmware/panel",
              "Without eight 'data_lines' and 'address_lines' the panel is not simulated."));
    }
    if (!panel.language().isEmpty() && !panel.language().equals(Panel.LOCK)) {
      findings.add(
          Finding.warning(
              "kit.json#" + at + "language",
              "Nothing here runs '" + panel.language() + "'; only " + Panel.LOCK + " is run."));
    }
  }

  private void programs(@org.jspecify.annotations.Nullable Panel panel) {
    List<Toggled> all = kit.firmware().toggled();
    Set<String> before = new HashSet<>();
    kit.peripherals().forEach(each -> before.add(each.id()));
    kit.gates().forEach(each -> before.add(each.id()));
    Set<String> ids = new HashSet<>();
    for (int i = 0; i < all.size(); i++) {
      String at = "/firmware/toggled/" + i + "/";
      Toggled each = all.get(i);
      if (!ids.add(each.id())) {
        error(at + "id", "There are two programs '" + each.id() + "'.");
      }
      if (panel == null) {
        error(at + "id", "A program that is toggled in needs a front panel, 'panel'.");
      }
      each.after().stream()
          .filter(name -> !before.contains(name))
          .forEach(name -> error(at + "after", "There is no peripheral or gate '" + name + "'."));
    }
  }

  private void refs(String at, List<String> names) {
    names.stream()
        .filter(ref -> !refs.contains(ref))
        .forEach(ref -> error(at, "There is no part '" + ref + "'."));
  }

  private void nets(String at, List<String> names) {
    names.stream()
        .filter(net -> !kit.nets().containsKey(net))
        .forEach(net -> error(at, "There is no net '" + net + "'."));
  }

  private void error(String at, String text) {
    findings.add(Finding.error("kit.json#" + at, text));
  }
}
