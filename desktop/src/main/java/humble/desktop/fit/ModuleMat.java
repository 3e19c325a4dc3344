package humble.desktop.fit;

import humble.core.craft.ModuleFit;
import humble.core.kit.ModuleRows;
import humble.core.words.Words;
import humble.desktop.draw.Mat;
import humble.desktop.draw.Pen;
import humble.desktop.draw.Token;
import java.util.List;
import java.util.Optional;

/** The module's pins over the rows of the board, joined where they would meet. */
record ModuleMat(
    String title, ModuleRows module, List<String> read, Optional<ModuleFit> fit, Words words)
    implements Mat {

  @Override
  public void paint(Pen pen, double w, double h) {
    pen.text(title, 20, 26, 16, Token.INK_SOFT, Pen.Hang.LEFT);
    int pins = module.rows().getFirst().labels().size();
    double pitch = Math.min(150, (w - 200) / pins);
    double left = w / 2 - pitch * (pins - 1) / 2;
    double top = h * 0.28;
    pen.box(left - pitch * 0.6, top - 90, pitch * (pins + 0.2), 110, 8, Token.CARD, Token.INK);
    pen.bold(
        words.say("fit.module.side"), left - pitch * 0.5, top - 68, 16, Token.INK, Pen.Hang.LEFT);
    for (int i = 0; i < pins; i++) {
      double x = left + i * pitch;
      pen.box(x - 8, top - 8, 16, 60, 2, Token.COPPER, Token.INK);
      String label = i < read.size() ? read.get(i) : "…";
      pen.bold(label, x, top - 30, 22, Token.INK, Pen.Hang.MIDDLE);
      if (i == 0) {
        pen.text("1", x, top - 52, 14, Token.INK_SOFT, Pen.Hang.MIDDLE);
      }
    }
    for (int r = 0; r < module.rows().size(); r++) {
      row(pen, module.rows().get(r), left, top + 130 + r * 110, pitch);
    }
  }

  private void row(Pen pen, ModuleRows.Row row, double left, double y, double pitch) {
    boolean taken = fit.map(f -> f instanceof ModuleFit.Row r && r.row().equals(row)).orElse(false);
    int pins = row.labels().size();
    pen.box(
        left - pitch * 0.6,
        y - 42,
        pitch * (pins + 0.2),
        88,
        8,
        taken ? Token.FLUX_PALE : Token.BOARD,
        Token.INK);
    Token ink = taken ? Token.INK : Token.ON_BOARD;
    pen.bold(
        words.say("fit.module.row-name", row.id()),
        left - pitch * 0.5,
        y - 28,
        15,
        ink,
        Pen.Hang.LEFT);
    for (int i = 0; i < pins; i++) {
      double x = left + i * pitch;
      pen.disc(x, y + 2, 11, Token.COPPER_PALE, Token.INK, 1.5);
      pen.disc(x, y + 2, 4, Token.BOARD, null, 0);
      pen.bold(row.labels().get(i), x, y + 30, 17, ink, Pen.Hang.MIDDLE);
    }
    if (taken) {
      pen.standing(left + pitch * (pins - 1) + pitch * 0.36, y - 22, 12, "done");
    }
    if (fit.isPresent()
        && fit.get() instanceof ModuleFit.DoNotPlug no
        && no.nearest().equals(row)) {
      for (ModuleFit.Meeting meeting : no.meetings()) {
        double x = left + (meeting.hole() - 1) * pitch;
        pen.octagon(x, y + 2, 16, Token.ALARM, Token.INK);
      }
    }
  }

  @Override
  public String spoken() {
    return title + ": " + String.join(", ", read);
  }
}
