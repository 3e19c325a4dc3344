package humble.desktop.finish;

import humble.core.kit.Board;
import humble.core.kit.Part;
import humble.core.kit.Proof;
import humble.core.orient.BoardView;
import humble.core.stock.Meter;
import humble.core.units.Engineering;
import humble.core.wake.Proving;
import humble.core.words.Words;
import humble.desktop.draw.BoardPicture;
import humble.desktop.draw.Mat;
import humble.desktop.draw.Pen;
import humble.desktop.draw.Token;
import humble.desktop.session.OpenBuild;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * The board with the terminals that the known part goes between, and below it nominal value,
 * tolerance and reading on one scale.
 */
record ProofMat(OpenBuild open, Proof proof, Optional<Proving> read, Words words) implements Mat {
  @Override
  public void paint(Pen pen, double w, double h) {
    pen.text(proof.title(), 20, 26, 16, Token.INK_SOFT, Pen.Hang.LEFT);
    double scale = h * 0.3;
    board(pen, 30, 50, w - 60, h - scale - 70);
    window(pen, 80, h - scale + 40, w - 160);
  }

  private void board(Pen pen, double x, double y, double w, double h) {
    Optional<Part> part =
        proof.terminals().stream()
            .flatMap(pin -> open.built().part(pin.replaceFirst("\\.[^.]*$", "")).stream())
            .findFirst();
    Optional<Board> board =
        part.flatMap(Part::placed).flatMap(place -> open.kit().board(place.board()));
    if (part.isEmpty() || board.isEmpty()) {
      between(pen, x + w / 2, y + h / 2);
      return;
    }
    BoardPicture picture =
        new BoardPicture(
            open.built(),
            new BoardView(board.get(), part.get().placed().orElseThrow().side(), 0),
            x,
            y,
            w,
            h);
    picture.paint(pen, open.onBoard(), Set.of(part.get().ref()), Set.of(), open.photoFaces());
    for (int i = 0; i < proof.terminals().size(); i++) {
      String label = i == 0 && proof.polarised() ? "+" : Integer.toString(i + 1);
      String pin = proof.terminals().get(i);
      humble.core.kit.PinRef.parse(pin)
          .flatMap(ref -> open.built().padAt(ref))
          .map(picture::px)
          .ifPresent(at -> {
            pen.disc(at[0], at[1], 15, Token.FLUX_PALE, Token.INK, 3);
            pen.bold(label, at[0], at[1], 16, Token.INK, Pen.Hang.MIDDLE);
          });
    }
  }

  /** Without a place on a board the two terminals are drawn by their names. */
  private void between(Pen pen, double x, double y) {
    List<String> pins = proof.terminals().isEmpty() ? List.of("1", "2") : proof.terminals();
    for (int i = 0; i < 2 && i < pins.size(); i++) {
      double at = x + (i == 0 ? -150 : 150);
      pen.disc(at, y, 22, Token.TIN, Token.INK, 2);
      pen.bold(
          i == 0 && proof.polarised() ? pins.get(i) + " +" : pins.get(i),
          at,
          y + 42,
          18,
          Token.INK,
          Pen.Hang.MIDDLE);
    }
    pen.line(x - 128, y, x + 128, y, Token.INK, 3);
    pen.box(x - 46, y - 22, 92, 44, 8, Token.COPPER_PALE, Token.INK);
  }

  private void window(Pen pen, double x, double y, double w) {
    double tolerance = proof.tolerancePct() / 100 * proof.nominal();
    double unsure = Meter.parse(proof.meter()).orElse(Meter.USUAL).uncertainty(proof.nominal(), 0);
    double most = 3 * Math.max(tolerance + unsure, proof.nominal() * 0.002);
    boolean beyond = read.map(now -> Math.abs(now.reads() - proof.nominal()) > most).orElse(false);
    pen.box(x, y, w, 22, 4, Token.FIELD, Token.INK);
    double half = w / 2 * tolerance / most;
    pen.box(x + w / 2 - half, y + 3, Math.max(2, 2 * half), 16, 2, Token.COPPER_PALE, null);
    pen.line(x + w / 2, y - 6, x + w / 2, y + 28, Token.INK, 2);
    pen.bold(
        Engineering.nominal(proof.nominal(), proof.unit()),
        x + w / 2,
        y + 46,
        18,
        Token.INK,
        Pen.Hang.MIDDLE);
    read.ifPresent(now -> {
      double share = Math.clamp((now.reads() - proof.nominal()) / most, -1, 1);
      double at = x + w / 2 * (1 + share);
      double own =
          Meter.parse(proof.meter()).orElse(Meter.USUAL).uncertainty(now.reads(), 0) / most * w / 2;
      if (!beyond) {
        pen.line(at - own, y - 12, at + own, y - 12, Token.COPPER, 5);
      }
      pen.shape(
          List.of(
              new double[] {at, y}, new double[] {at - 10, y - 20}, new double[] {at + 10, y - 20}),
          Token.COPPER,
          Token.INK);
      pen.bold(
          (beyond ? (share < 0 ? "← " : "→ ") : "")
              + Engineering.reading(now.reads(), proof.unit()),
          Math.clamp(at, x + 60, x + w - 60),
          y - 36,
          20,
          Token.INK,
          Pen.Hang.MIDDLE);
    });
  }

  @Override
  public String spoken() {
    return words.say(
        "proof.spoken",
        proof.title(),
        proof.terminals().stream().collect(Collectors.joining(", ")));
  }
}
