package humble.core.intake;

import humble.core.kit.PartKind;
import java.util.List;
import java.util.Set;
import java.util.regex.Pattern;

/** Texts that name one of the built-in packages. */
final class PackageNames {
  /** A text that names one built-in package, and the kinds it may name it for. */
  record Name(Pattern pattern, String id, Set<PartKind> kinds) {
    /** Tells whether it may name the case of a part of that kind. */
    boolean fits(PartKind kind) {
      return kinds.isEmpty() || kind == PartKind.OTHER || kinds.contains(kind);
    }
  }

  private static final Set<PartKind> DIODES = Set.of(PartKind.DIODE, PartKind.ZENER);
  private static final Set<PartKind> LAMPS = Set.of(PartKind.LED, PartKind.LASER);
  private static final Set<PartKind> AXIAL =
      Set.of(PartKind.RESISTOR, PartKind.DIODE, PartKind.ZENER, PartKind.INDUCTOR, PartKind.LINK);
  private static final Set<PartKind> CAPACITORS =
      Set.of(PartKind.CAPACITOR, PartKind.CAPACITOR_POLARISED);
  private static final Set<PartKind> PLUGS = Set.of(PartKind.CONNECTOR, PartKind.HEADER);
  private static final Set<PartKind> QUARTZ = Set.of(PartKind.CRYSTAL, PartKind.RESONATOR);
  private static final Set<PartKind> SOUND = Set.of(PartKind.BUZZER, PartKind.SPEAKER);
  private static final Set<PartKind> CELLS = Set.of(PartKind.BATTERY, PartKind.BATTERY_HOLDER);

  static final List<Name> ALL =
      List.of(
          name("to-?92|half.?round.*", "half-round-3", Set.of()),
          name("do-?35|small glass", "axial-small-glass", DIODES),
          name("do-?41|do-?201.*|power diode", "axial-power-diode", DIODES),
          name("hc-?49/?[-_ ]?(us|s).*|low crystal", "crystal-low", QUARTZ),
          name("hc-?49/?[-_ ]?u?|tall crystal", "crystal-tall", QUARTZ),
          name(
              "led[-_ ]?(d|ø)?5(\\.0)?\\s?mm|(d|ø)?5(\\.0)?\\s?mm( led)|5\\s?mm|t-?1[- ]?3/?4|led[-_ ]?d?5.*",
              "led-5",
              LAMPS),
          name(
              "led[-_ ]?(d|ø)?3(\\.0)?\\s?mm|(d|ø)?3(\\.0)?\\s?mm( led)|3\\s?mm|t-?1|led[-_ ]?d?3.*",
              "led-3",
              LAMPS),
          name(
              ".*(1/4|0?\\.25|¼)\\s?w.*|axial|.*axial.*(0207|quarter|10[.,]16).*|0207.*",
              "axial-quarter-watt",
              AXIAL),
          name(".*(1/2|0?\\.5|½)\\s?w.*|.*axial.*(0309|half|12[.,]7).*", "axial-half-watt", AXIAL),
          name(
              "6\\s?x\\s?6.*|tact.*|.*(sw|button).*6\\s?x\\s?6.*",
              "tact-6",
              Set.of(PartKind.BUTTON)),
          name("slide.*|spdt slide", "slide-3", Set.of(PartKind.SWITCH)),
          name("toggle.*", "toggle-panel", Set.of(PartKind.SWITCH)),
          name(
              "trim.*|6 ?mm trimmer",
              "trimmer-6",
              Set.of(PartKind.TRIMMER, PartKind.POTENTIOMETER)),
          name("pot.*|9 ?mm.*", "pot-9", Set.of(PartKind.POTENTIOMETER)),
          name(".*buzzer.*|12 ?mm round", "buzzer-12", SOUND),
          name(".*(barrel|dc.?jack).*", "jack-barrel", PLUGS),
          name(".*usb.*", "usb-edge", PLUGS),
          name(".*(coin|cr20\\d\\d).*", "coin-holder", CELLS),
          name(".*card.?(slot|socket).*", "card-slot", PLUGS),
          name("bead|tantalum bead|tantal.*", "bead", CAPACITORS),
          name("film.*", "film-5", CAPACITORS),
          name(
              "(disc\\D*|.*(disc|cap).*(p|pitch)[-_ ]?)(?<![0-9.,])5([.,]0+|[.,]08)?( ?mm)?",
              "disc-5",
              CAPACITORS),
          name("disc.*|ceramic.*|.*(disc|cap).*(p|pitch)[-_ ]?2[.,]5.*", "disc-2.5", CAPACITORS));

  private static Name name(String pattern, String id, Set<PartKind> kinds) {
    return new Name(Pattern.compile(pattern), id, kinds);
  }

  private PackageNames() {}
}
