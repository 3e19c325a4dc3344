package humble.desktop.unpack;

import humble.core.kit.Host;
import humble.desktop.draw.Mat;
import humble.desktop.draw.Pen;
import humble.desktop.draw.Token;
import java.util.List;

/** The boards that the kit is for, each with the number that must be printed on it. */
record HostMat(String title, List<Host> hosts, int chosen) implements Mat {
  @Override
  public void paint(Pen pen, double w, double h) {
    pen.text(title, 20, 26, 16, Token.INK_SOFT, Pen.Hang.LEFT);
    double rowHeight = Math.min((h - 60) / Math.max(1, hosts.size()), 210);
    for (int i = 0; i < hosts.size(); i++) {
      Host host = hosts.get(i);
      double y = 50 + i * rowHeight;
      double bw = Math.min(w * 0.44, 320);
      if (i == chosen) {
        pen.box(28, y - 2, w - 56, rowHeight - 8, 10, Token.CARD, Token.INK);
      }
      pen.box(48, y + 14, bw, rowHeight - 42, 8, Token.BOARD, Token.INK);
      pen.tag(
          host.mustShow(),
          48 + bw / 2,
          y + 14 + (rowHeight - 42) / 2,
          26,
          Token.INK,
          Token.CARD,
          Pen.Hang.MIDDLE);
      pen.bold(
          Pen.fitted(host.name(), 20, w - bw - 130),
          78 + bw,
          y + rowHeight * 0.42,
          20,
          Token.INK,
          Pen.Hang.LEFT);
      pen.text(
          Pen.fitted(host.where(), 16, w - bw - 130),
          78 + bw,
          y + rowHeight * 0.42 + 30,
          16,
          Token.INK_SOFT,
          Pen.Hang.LEFT);
      pen.spot("host:" + i, 28, y - 2, w - 56, rowHeight - 8);
    }
  }

  @Override
  public String spoken() {
    return title + ": " + String.join(", ", hosts.stream().map(Host::mustShow).toList());
  }
}
