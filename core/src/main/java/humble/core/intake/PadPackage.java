package humble.core.intake;

import humble.core.kit.LeadClass;
import humble.core.kit.Line;
import humble.core.kit.PackageLibrary;
import humble.core.kit.PackagePin;
import humble.core.kit.PartKind;
import humble.core.kit.PartPackage;
import humble.core.kit.PointMm;
import humble.core.kit.RefOrder;
import humble.core.kit.Side;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/** A package made from the pads of a part, where none that is known lies on them. */
final class PadPackage {
  private static final int MOST_PINS = 400;

  private PadPackage() {}

  /**
   * Makes the package of a line from the pads of the first of its parts that has some.
   *
   * @param line the line
   * @param usual the package it was guessed to have, for its height and leads
   * @param pads pads by {@code REF.PIN}
   */
  static Optional<PartPackage> of(
      Line line, @Nullable PartPackage usual, Map<String, BoardFacts.Pad> pads) {
    for (String ref : line.refs()) {
      Map<String, BoardFacts.Pad> own = padsOf(ref, pads);
      if (own.size() >= 2 && own.size() <= MOST_PINS) {
        return Optional.of(of("pads-" + Slug.of(line.id()), usual, own));
      }
    }
    return Optional.empty();
  }

  /** Gives the built-in packages of so many pins that parts of a kind may come in. */
  static Stream<PartPackage> known(PartKind kind, int pins) {
    List<String> ids =
        switch (kind) {
          case IC, SOCKET, DISPLAY, MODULE, OTHER ->
              List.of("dip-" + pins, "dip-" + pins + "-wide", "header-1x" + pins);
          case HEADER, CONNECTOR, JUMPER ->
              List.of("header-1x" + pins, "header-2x" + pins / 2, "terminal-" + pins);
          case RESISTOR_NETWORK -> List.of("sip-" + pins);
          case TRANSISTOR_NPN, TRANSISTOR_PNP, MOSFET_N, MOSFET_P, REGULATOR ->
              List.of("half-round-3", "tab-3-upright");
          case CAPACITOR -> List.of("disc-2.5", "disc-5");
          case CAPACITOR_POLARISED ->
              List.of("radial-5x11", "radial-6x11", "radial-8x12", "radial-10x16");
          case BUTTON -> List.of("tact-6");
          default -> List.of();
        };
    return ids.stream()
        .flatMap(id -> PackageLibrary.find(id).stream())
        .filter(pack -> pack.pins().size() == pins);
  }

  /** Gives the pads of a part by their pin, in natural order. */
  static Map<String, BoardFacts.Pad> padsOf(String ref, Map<String, BoardFacts.Pad> pads) {
    Map<String, BoardFacts.Pad> own = new TreeMap<>(RefOrder.NATURAL);
    pads.forEach((name, pad) -> {
      if (name.startsWith(ref + ".")) {
        own.put(name.substring(ref.length() + 1), pad);
      }
    });
    return own;
  }

  private static PartPackage of(
      String id, @Nullable PartPackage usual, Map<String, BoardFacts.Pad> own) {
    double x = own.values().stream().mapToDouble(pad -> pad.at().xMm()).average().orElseThrow();
    double y = own.values().stream().mapToDouble(pad -> pad.at().yMm()).average().orElseThrow();
    boolean bottom =
        own.values().stream().anyMatch(pad -> pad.side().filter(s -> s == Side.BOTTOM).isPresent());
    boolean smd = own.values().stream().allMatch(pad -> pad.side().isPresent());
    List<PackagePin> pins = new ArrayList<>();
    own.forEach((number, pad) -> {
      PointMm at = pad.at().minus(new PointMm(x, y));
      pins.add(new PackagePin(number, rounded(bottom ? at.mirrored() : at)));
    });
    pins.sort(Comparator.comparing(PackagePin::number, RefOrder.NATURAL));
    double height = usual == null ? 4 : usual.heightMm();
    LeadClass lead = smd ? LeadClass.SMD : usual == null ? LeadClass.PIN : usual.lead();
    return new PartPackage(id, height, pins, lead == LeadClass.SMD && !smd ? LeadClass.PIN : lead);
  }

  private static PointMm rounded(PointMm at) {
    return new PointMm(Math.round(at.xMm() * 1e4) / 1e4, Math.round(at.yMm() * 1e4) / 1e4);
  }
}
