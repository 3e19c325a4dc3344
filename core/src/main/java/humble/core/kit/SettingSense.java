package humble.core.kit;

import java.util.ArrayList;
import java.util.List;

/** What the settings of a kit say of a board that does not have it. */
final class SettingSense {
  private SettingSense() {}

  static List<Finding> of(Kit kit) {
    List<Finding> findings = new ArrayList<>();
    List<Setting> all = kit.firmware().settings();
    for (int i = 0; i < all.size(); i++) {
      Setting.FromBoard from = all.get(i).board();
      if (from != null) {
        String at = "kit.json#/firmware/settings/" + i + "/same_as";
        trouble(kit, from).forEach(text -> findings.add(Finding.error(at, text)));
        if (all.get(i).rule() instanceof Setting.Rule.OneOf group) {
          from.rows().values().stream()
              .filter(name -> !group.names().contains(name))
              .forEach(name ->
                  findings.add(Finding.error(at + "/rows", "'" + name + "' is none of 'one_of'.")));
        }
      }
    }
    return findings;
  }

  private static List<String> trouble(Kit kit, Setting.FromBoard from) {
    List<String> all = new ArrayList<>();
    boolean target = kit.firmware().target(from.of()).isPresent();
    boolean peripheral = kit.peripherals().stream().anyMatch(each -> each.id().equals(from.of()));
    boolean line = kit.line(from.of()).isPresent();
    boolean part = kit.lines().stream().anyMatch(each -> each.refs().contains(from.of()));
    switch (from.what()) {
      case "clock", "baud", "bytes" -> {
        if (!target) {
          all.add("There is no target '" + from.of() + "'.");
        }
      }
      case "pin", "module" -> {
        if (!part) {
          all.add("There is no part '" + from.of() + "'.");
        }
        if (from.what().equals("pin") && !kit.nets().containsKey(from.net())) {
          all.add("There is no net '" + from.net() + "'.");
        }
      }
      default -> {
        if (!peripheral && !line) {
          all.add("There is no peripheral or line '" + from.of() + "'.");
        }
      }
    }
    return all;
  }
}
