package humble.core.kit;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

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

  /** A fact that is not there would be held against nothing, without a word. */
  private static List<String> trouble(Kit kit, Setting.FromBoard from) {
    Optional<Firmware.Target> target = kit.firmware().target(from.of());
    Optional<Peripheral> peripheral =
        kit.peripherals().stream().filter(each -> each.id().equals(from.of())).findFirst();
    String of = "'" + from.of() + "'";
    String none =
        switch (from.what()) {
          case "clock" ->
              target.map(each -> each.facts().clockHz()).isPresent()
                  ? ""
                  : "There is no target " + of + " with a 'clock_hz'.";
          case "baud" -> target.isPresent() ? "" : "There is no target " + of + ".";
          case "bytes" ->
              target
                      .filter(each ->
                          from.net().isEmpty()
                              || each.memory().stream().anyMatch(r -> r.id().equals(from.net())))
                      .isPresent()
                  ? ""
                  : "There is no target " + of + " with such a memory.";
          case "width", "height", "turn" ->
              peripheral.filter(Peripheral.Display.class::isInstance).isPresent()
                  ? ""
                  : "There is no display " + of + ".";
          case "count" ->
              peripheral.filter(Peripheral.Chain.class::isInstance).isPresent()
                      || kit.line(from.of()).isPresent()
                  ? ""
                  : "There is no chain or line " + of + ".";
          case "hz" ->
              peripheral.filter(SettingSense::hasPitch).isPresent()
                  ? ""
                  : "There is no tone, clock or radio " + of + ".";
          case "pin" ->
              kit.nets().getOrDefault(from.net(), List.of()).stream()
                          .filter(pin -> pin.ref().equals(from.of()))
                          .count()
                      == 1
                  ? ""
                  : from.of() + " has not one pin on the net '" + from.net() + "'.";
          case "module" ->
              kit.handwork().modules().stream().anyMatch(each -> each.ref().equals(from.of()))
                  ? ""
                  : "There is no module " + of + " with rows.";
          // A word that is none of these was refused where it was read.
          default -> "";
        };
    return none.isEmpty() ? List.of() : List.of(none);
  }

  private static boolean hasPitch(Peripheral peripheral) {
    return peripheral instanceof Peripheral.Tone
        || peripheral instanceof Peripheral.Clock
        || peripheral instanceof Peripheral.Radio;
  }
}
