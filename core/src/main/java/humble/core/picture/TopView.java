package humble.core.picture;

import humble.core.kit.LeadForm;
import humble.core.kit.PackageLibrary;
import humble.core.kit.PackagePin;
import humble.core.kit.Part;
import humble.core.kit.PartKind;
import humble.core.kit.PartPackage;
import humble.core.kit.PointMm;
import humble.core.picture.Piece.Role;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * What a part looks like from above, with the marks that tell which way round it is. Zero
 * orientation, millimetres from the middle of the pin pattern: cathode and plus towards −x, notch
 * and pin 1 at the top left, the flat of a half-round case and the print of a tab case towards −y.
 */
public final class TopView {
  private static final Pattern RADIAL = Pattern.compile("radial-(\\d+)x.*");
  private static final double PIN_MM = 0.32;

  private final Part part;
  private final List<Piece> pieces = new ArrayList<>();

  private TopView(Part part) {
    this.part = part;
  }

  /** Gives the outlines of a part, its body first. */
  public static List<Piece> of(Part part) {
    TopView view = new TopView(part);
    view.draw();
    return List.copyOf(view.pieces);
  }

  private void body(List<PointMm> corners) {
    pieces.add(new Piece(Role.BODY, corners));
  }

  private void mark(List<PointMm> corners) {
    pieces.add(new Piece(Role.MARK, corners));
  }

  private void detail(List<PointMm> corners) {
    pieces.add(new Piece(Role.DETAIL, corners));
  }

  private void draw() {
    String id = part.pack().id();
    Matcher radial = RADIAL.matcher(id);
    if (part.line().kind() == PartKind.DISPLAY) {
      body(Piece.box(-14, -19, 14, 2));
      detail(Piece.box(-12, -16, 12, -2));
    } else if (id.startsWith("axial-")) {
      axial();
    } else if (radial.matches()) {
      can(Double.parseDouble(radial.group(1)) / 2);
    } else if (id.startsWith("led-")) {
      led(id.equals("led-5") ? 2.9 : 1.9);
    } else if (part.pack().isDualInLine()) {
      dual(part.line().kind() == PartKind.SOCKET || id.startsWith("socket-"));
    } else if (id.startsWith("header-") || id.startsWith("receptacle-")) {
      header(id.startsWith("receptacle-"));
    } else if (part.line().kind() == PartKind.COIL) {
      ring();
    } else {
      byName(id);
    }
  }

  private void byName(String id) {
    switch (id) {
      case "bead" -> bead();
      case "disc-2.5" -> body(Piece.oval(0, 0, 2.1, 1.1));
      case "disc-5" -> body(Piece.oval(0, 0, 3.4, 1.2));
      case "film-5" -> body(Piece.box(-3.6, -1.25, 3.6, 1.25));
      case "crystal-tall", "crystal-low" -> crystal();
      case "half-round-3" -> halfRound();
      case "tab-3-upright" -> tabUpright();
      case "tab-3-lying" -> tabLying();
      case "tact-6" -> {
        body(Piece.box(-3, -3, 3, 3));
        detail(Piece.round(0, 0, 1.7));
      }
      case "slide-3" -> {
        body(Piece.box(-4.3, -2, 4.3, 2));
        detail(Piece.box(-2.2, -0.9, 2.2, 0.9));
        detail(Piece.box(-2.2, -0.9, -0.2, 0.9));
      }
      case "toggle-panel" -> {
        body(Piece.box(-6.5, -3.4, 6.5, 3.4));
        detail(Piece.round(0, 0, 3));
        detail(Piece.box(-4.2, -0.6, 0, 0.6));
      }
      case "trimmer-6" -> {
        body(Piece.box(-3.4, -3.4, 3.4, 3.4));
        detail(Piece.round(0, 0, 1.5));
        detail(List.of(new PointMm(-1.1, 0), new PointMm(1.1, 0)));
      }
      case "pot-9" -> {
        body(Piece.box(-4.8, -1.6, 4.8, 9.5));
        detail(Piece.round(0, 5, 3));
        detail(Piece.box(-0.3, 5, 0.3, 8));
      }
      case "buzzer-12" -> {
        body(Piece.round(0, 0, 6));
        detail(Piece.round(0, 0, 0.9));
        plus(-4.2, 2.2);
      }
      case "jack-barrel" -> {
        body(Piece.box(-4.5, -10, 4.5, 4.2));
        detail(Piece.box(-3.6, -10, 3.6, -8));
      }
      case "usb-edge" -> {
        body(Piece.box(-6, -4, 6, 2.5));
        detail(Piece.box(-6, -4, 6, -2.6));
      }
      case "coin-holder" -> {
        body(Piece.round(0, 0, 10.8));
        detail(Piece.round(0, 0, 8));
        plus(-6, 0);
      }
      case "card-slot" -> {
        body(Piece.box(-13, -1.4, 13, 14));
        mark(List.of(new PointMm(-13, 14), new PointMm(-10.5, 14), new PointMm(-13, 11.5)));
      }
      default -> plain(id);
    }
  }

  private double halfSpan() {
    List<PackagePin> pins = part.pack().pins();
    return pins.getFirst().at().distanceMm(pins.getLast().at()) / 2;
  }

  private void axial() {
    PartKind kind = part.line().kind();
    if (kind == PartKind.LINK || kind == PartKind.JUMPER) {
      body(Piece.box(-halfSpan(), -0.3, halfSpan(), 0.3));
      return;
    }
    double girth = girthMm() / 2;
    if (stands()) {
      body(Piece.round(-halfSpan(), 0, girth));
      detail(List.of(new PointMm(-halfSpan(), 0), new PointMm(halfSpan(), 0)));
      return;
    }
    double half = Math.max(1.6, halfSpan() - 1.9);
    body(Piece.box(-half, -girth, half, girth));
    if (kind.isDiode()) {
      mark(Piece.box(-half + 0.3, -girth, -half + 1.1, girth));
    } else {
      int bands = Math.clamp(part.line().bands(), 0, 6);
      for (int i = 0; i < bands; i++) {
        boolean last = i == bands - 1;
        double x = -half + 0.7 + i * (2 * half - 1.8) / Math.max(4, bands) + (last ? 0.6 : 0);
        detail(List.of(new PointMm(x, -girth), new PointMm(x, girth)));
      }
    }
  }

  /** How thick it is, however it stands. */
  private double girthMm() {
    return PackageLibrary.find(part.pack().id())
        .map(PartPackage::heightMm)
        .orElse(part.pack().heightMm());
  }

  /** Holes too close for it to lie have it stand on one lead, or lean. */
  private boolean stands() {
    return part.placed()
        .flatMap(place ->
            PackageLibrary.find(part.pack().id()).flatMap(pack -> LeadForm.of(pack, place)))
        .filter(form -> form.way() == LeadForm.Way.STAND || form.way() == LeadForm.Way.LEAN)
        .isPresent();
  }

  /** An electrolytic: its stripe is on the minus side, along the wall. */
  private void can(double radius) {
    body(Piece.round(0, 0, radius));
    if (!part.line().isOriented()) {
      return;
    }
    List<PointMm> stripe = new ArrayList<>(Piece.arc(0, 0, radius, radius, -48, 48));
    stripe.addAll(Piece.arc(0, 0, radius * 0.72, radius * 0.72, -48, 48).reversed());
    mark(stripe);
    detail(List.of(new PointMm(-radius * 0.75, 0), new PointMm(-radius * 0.3, 0)));
    detail(
        List.of(
            new PointMm(-radius * 0.52, -radius * 0.22),
            new PointMm(-radius * 0.52, radius * 0.22)));
  }

  private void bead() {
    body(Piece.oval(0, 0, 2.4, 1.7));
    if (part.line().isOriented()) {
      plus(-1.2, 0);
    }
  }

  private void plus(double x, double y) {
    detail(List.of(new PointMm(x - 0.7, y), new PointMm(x + 0.7, y)));
    detail(List.of(new PointMm(x, y - 0.7), new PointMm(x, y + 0.7)));
  }

  /** The flat of the rim and the cup inside the lens are on the cathode's side. */
  private void led(double radius) {
    double flat = radius * 0.82;
    double angle = Math.toDegrees(Math.acos(flat / radius));
    body(Piece.arc(0, 0, radius, radius, -180 + angle, 180 - angle));
    mark(
        List.of(
            new PointMm(-flat, -radius * 0.57),
            new PointMm(-flat + 0.4, -radius * 0.57),
            new PointMm(-flat + 0.4, radius * 0.57),
            new PointMm(-flat, radius * 0.57)));
    detail(Piece.box(-radius * 0.42, -radius * 0.28, radius * 0.1, radius * 0.28));
    detail(Piece.box(radius * 0.28, -radius * 0.12, radius * 0.5, radius * 0.12));
  }

  private void dual(boolean socket) {
    PointMm first = part.pack().pins().getFirst().at();
    double x = Math.abs(first.xMm()) + (socket ? 1.1 : -0.6);
    double y = first.yMm() + 1.3;
    body(Piece.box(-x, -y, x, y));
    if (socket) {
      double inner = Math.abs(first.xMm()) - 1.4;
      detail(Piece.box(-inner, -y + 1.2, inner, y - 1.2));
    }
    mark(Piece.arc(0, y, 1, 1, 180, 360));
    if (!socket && marks("dot")) {
      mark(Piece.round(-x + 1, first.yMm(), 0.45));
    }
    if (!socket && marks("bevel")) {
      detail(List.of(new PointMm(-x + 0.9, y), new PointMm(-x + 0.9, -y)));
    }
  }

  private boolean marks(String mark) {
    return part.line().polarityMarks().contains(mark);
  }

  private void header(boolean receptacle) {
    body(around(1.27));
    for (PackagePin pin : part.pack().pins()) {
      PointMm at = pin.at();
      detail(
          receptacle
              ? Piece.box(at.xMm() - 0.5, at.yMm() - 0.15, at.xMm() + 0.5, at.yMm() + 0.15)
              : Piece.box(
                  at.xMm() - PIN_MM, at.yMm() - PIN_MM, at.xMm() + PIN_MM, at.yMm() + PIN_MM));
    }
    if (marks("triangle") || part.pack().id().startsWith("header-2x")) {
      PointMm first = part.pack().pins().getFirst().at();
      triangle(first.xMm(), first.yMm() + 1.5);
    }
  }

  /** A triangle whose tip shows pin 1. */
  private void triangle(double x, double y) {
    mark(List.of(new PointMm(x, y), new PointMm(x - 0.8, y + 1.1), new PointMm(x + 0.8, y + 1.1)));
  }

  /** A wound ring that stands over its two holes. */
  private void ring() {
    double radius = halfSpan() + 1.2;
    body(Piece.round(0, 0, radius));
    detail(Piece.round(0, 0, radius * 0.45));
    for (int i = 0; i < 10; i++) {
      double angle = Math.toRadians(200 + 14 * i * 2.2);
      detail(
          List.of(
              new PointMm(radius * 0.45 * Math.cos(angle), radius * 0.45 * Math.sin(angle)),
              new PointMm(radius * Math.cos(angle), radius * Math.sin(angle))));
    }
  }

  private void crystal() {
    List<PointMm> can = new ArrayList<>(Piece.arc(3.4, 0, 2.1, 2.1, -90, 90));
    can.addAll(Piece.arc(-3.4, 0, 2.1, 2.1, 90, 270));
    body(can);
    detail(Piece.box(-3.2, -1.2, 3.2, 1.2));
  }

  /** Flat towards −y, with the print on it. */
  private void halfRound() {
    body(Piece.arc(0, 0, 2.5, 2.5, -32, 212));
    mark(Piece.box(-2.12, -1.33, 2.12, -1.0));
    print(-0.4);
  }

  private void tabUpright() {
    body(Piece.box(-5.1, -1.9, 5.1, 2.6));
    mark(Piece.box(-5.1, 1.4, 5.1, 2.6));
    print(-1.1);
  }

  private void tabLying() {
    body(Piece.box(-5.1, 2.4, 5.1, 11.4));
    mark(Piece.box(-5.1, 11.4, 5.1, 17.4));
    detail(Piece.round(0, 14.4, 1.8));
    print(6.5);
  }

  /** Three short lines stand for print that can be read from −y. */
  private void print(double y) {
    detail(List.of(new PointMm(-1.3, y), new PointMm(1.3, y)));
    detail(List.of(new PointMm(-1.3, y + 0.6), new PointMm(0.5, y + 0.6)));
  }

  private void plain(String id) {
    body(around(id.startsWith("terminal-") ? 2.5 : 1.27));
    if (part.pack().pins().isEmpty()) {
      return;
    }
    PointMm first = part.pack().pins().getFirst().at();
    if (id.startsWith("terminal-")) {
      part.pack().pins().forEach(pin -> screw(pin.at()));
    } else if (id.startsWith("sip-") || marks("dot")) {
      mark(Piece.round(first.xMm(), first.yMm() + 0.8, 0.35));
    } else if (marks("triangle")) {
      triangle(first.xMm(), first.yMm() + 1.5);
    }
    if (marks("bevel")) {
      double x = first.xMm() - 1.27;
      double y = first.yMm() + 1.27;
      mark(List.of(new PointMm(x, y), new PointMm(x + 1, y), new PointMm(x, y - 1)));
    }
    if (marks("printed-side") || marks("printed")) {
      print(-0.8);
    }
  }

  private void screw(PointMm at) {
    detail(Piece.round(at.xMm(), at.yMm(), 1.6));
    detail(
        List.of(
            new PointMm(at.xMm() - 1.1, at.yMm() - 1.1),
            new PointMm(at.xMm() + 1.1, at.yMm() + 1.1)));
  }

  private List<PointMm> around(double more) {
    double x =
        part.pack().pins().stream().mapToDouble(pin -> Math.abs(pin.at().xMm())).max().orElse(0)
            + more;
    double y =
        part.pack().pins().stream().mapToDouble(pin -> Math.abs(pin.at().yMm())).max().orElse(0)
            + more;
    return Piece.box(-x, -y, x, y);
  }
}
