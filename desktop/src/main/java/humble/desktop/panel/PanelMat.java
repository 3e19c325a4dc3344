package humble.desktop.panel;

import humble.bench.panel.FrontPanel;
import humble.core.firmware.NumberBase;
import humble.core.firmware.ToggleSheet;
import humble.core.firmware.ToggleWork;
import humble.core.kit.Panel;
import humble.core.kit.Toggled;
import humble.core.words.Words;
import humble.desktop.draw.Lever;
import humble.desktop.draw.Mat;
import humble.desktop.draw.Pen;
import humble.desktop.draw.Token;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * The panel as it stands: lights above, switches below them, each where it is on the board; under
 * it the rows of the sheet about the one in hand, in every base at once.
 */
record PanelMat(
    Panel panel,
    PanelLayout layout,
    ToggleWork work,
    Look look,
    Optional<FrontPanel.Lights> lights,
    int stands,
    boolean running,
    Words words)
    implements Mat {
  /** Nothing is wanted of it. */
  static final int NONE = -1;

  private static final double PANEL_SHARE = 0.6;
  private static final double ROW_PX = 30;

  /**
   * What a hand wants to be seen.
   *
   * @param wanted the byte that is to be set or seen, or {@link #NONE}
   * @param onSwitches whether it is to be set, rather than seen
   * @param key the key that is pressed
   * @param shown what the data lights show by the maker's word, or {@link #NONE}
   * @param row the address of the row in hand, or {@link #NONE}
   */
  record Look(int wanted, boolean onSwitches, Panel.@Nullable Key key, int shown, int row) {
    static final Look PLAIN = new Look(NONE, false, null, NONE, NONE);
  }

  static PanelMat of(PanelBench bench, Toggled program, Look look) {
    boolean practice = bench.open().practiceOn() && !bench.practice().isWithout();
    return new PanelMat(
        bench.panel(),
        bench.layout(),
        bench.work(program),
        look,
        practice ? bench.practice().lights() : Optional.empty(),
        practice ? bench.practice().switches() : NONE,
        practice,
        bench.seat().words());
  }

  @Override
  public void paint(Pen pen, double w, double h) {
    double tall = h * PANEL_SHARE;
    pen.box(16, 16, w - 32, tall - 24, 10, Token.CARD, Token.LINE);
    double left = 60;
    double wide = w - 2 * left;
    double row = (tall - 40) / 3;
    lamps(pen, panel.address(), addressShown(), NONE, left, wide, 16 + row * 0.42);
    lamps(pen, panel.data(), dataShown(), dataWanted(), left, wide, 16 + row * 1.18);
    switches(pen, left, wide, 16 + row * 2.38);
    caption(pen, "panel.mat.address", 30, 32);
    caption(
        pen,
        "panel.mat.data",
        x(panel.data().get(layout.lightAt(1)), left, wide) - 70,
        16 + row * 1.18);
    sheet(pen, 30, tall + 10, w - 60, h - tall - 16);
  }

  private void caption(Pen pen, String key, double x, double y) {
    pen.text(words.say(key), x, y, 15, Token.INK_SOFT, Pen.Hang.LEFT);
  }

  private int addressShown() {
    return lights.map(FrontPanel.Lights::address).orElse(look.row());
  }

  private int dataShown() {
    return look.shown() != NONE ? look.shown() : lights.map(FrontPanel.Lights::data).orElse(NONE);
  }

  private int dataWanted() {
    return look.onSwitches() ? NONE : look.wanted();
  }

  private double x(String ref, double left, double wide) {
    return left + layout.x().getOrDefault(ref, 0.0) * wide;
  }

  private void lamps(
      Pen pen, List<String> refs, int shown, int wanted, double left, double wide, double y) {
    double radius = Math.min(15, wide / 46);
    for (int bit = 0; bit < refs.size(); bit++) {
      double x = x(refs.get(bit), left, wide);
      boolean on = shown != NONE && (shown >> bit & 1) == 1;
      boolean odd = shown != NONE && wanted != NONE && (shown >> bit & 1) != (wanted >> bit & 1);
      if (odd) {
        pen.diamond(x, y, radius * 1.8, Token.ALARM);
      }
      if (on) {
        pen.disc(x, y, radius + 3, Token.COPPER, Token.INK, 1.5);
        pen.disc(x, y, radius * 0.45, Token.CARD, null, 0);
      } else {
        pen.disc(x, y, radius, shown == NONE ? Token.FIELD : Token.CARD, Token.INK_SOFT, 1.5);
      }
      if (refs.size() <= Panel.BITS || bit < Panel.BITS) {
        pen.text(Integer.toString(bit), x, y + radius + 15, 13, Token.INK_SOFT, Pen.Hang.MIDDLE);
      }
    }
  }

  private void switches(Pen pen, double left, double wide, double y) {
    List<String> pressed = look.key() == null ? List.of() : panel.pressed(look.key());
    for (int bit = 0; bit < panel.switches().size(); bit++) {
      String ref = panel.switches().get(bit);
      double x = x(ref, left, wide);
      boolean known = look.onSwitches() || running;
      boolean wanted = look.onSwitches() && (look.wanted() >> bit & 1) == 1;
      boolean up = running ? (stands >> bit & 1) == 1 : wanted;
      boolean odd = running && look.onSwitches() && up != wanted;
      Lever.draw(pen, x, y, known ? up ? 1 : 0 : Lever.UNKNOWN, odd);
      if (look.onSwitches()) {
        pen.mono(wanted ? "1" : "0", x, y - 48, 24, Token.INK, Pen.Hang.MIDDLE);
      }
      int place = layout.switchBits().indexOf(bit) + 1;
      pen.text(ref, x, y + 62, 13, Token.INK_SOFT, Pen.Hang.MIDDLE);
      if (running) {
        pen.text(words.say("panel.mat.digit", place), x, y + 44, 14, Token.INK, Pen.Hang.MIDDLE);
      }
      pen.spot("switch:" + bit, x - 16, y - 34, 32, 104);
    }
    double aside = left;
    for (String ref : keyRefs()) {
      boolean onPanel = layout.x().containsKey(ref);
      double x = onPanel ? x(ref, left, wide) : aside;
      boolean now = pressed.contains(ref);
      if (!onPanel) {
        button(pen, x, y - 118, ref, now);
        aside += 150;
        continue;
      }
      if (now) {
        pen.box(x - 24, y - 38, 48, 92, 8, Token.FLUX_PALE, Token.COPPER);
        pen.bold(words.say("panel.mat.press"), x, y - 50, 14, Token.INK, Pen.Hang.MIDDLE);
      }
      Lever.draw(pen, x, y, now || isRunSwitch(ref) ? 1 : 0, false);
      pen.text(ref, x, y + 62, 13, Token.INK_SOFT, Pen.Hang.MIDDLE);
      pen.bold(words.say("panel.mat." + role(ref)), x, y + 44, 12, Token.INK, Pen.Hang.MIDDLE);
      key(ref).ifPresent(key -> pen.spot("key:" + key.text(), x - 20, y - 38, 40, 76));
    }
  }

  /** A switch that runs it as long as it is up. */
  private boolean isRunSwitch(String ref) {
    return lights.map(FrontPanel.Lights::run).orElse(false)
        && panel.pressed(Panel.Key.RUN).contains(ref)
        && panel.pressed(Panel.Key.STOP).isEmpty();
  }

  private void button(Pen pen, double x, double y, String ref, boolean now) {
    if (now) {
      pen.box(x - 22, y - 22, 132, 44, 8, Token.FLUX_PALE, Token.COPPER);
      pen.bold(words.say("panel.mat.press"), x + 44, y - 36, 14, Token.INK, Pen.Hang.MIDDLE);
    }
    pen.disc(x, y, 15, now ? Token.COPPER : Token.FIELD, Token.INK, 1.5);
    pen.bold(words.say("panel.mat." + role(ref)), x + 24, y - 7, 12, Token.INK, Pen.Hang.LEFT);
    pen.text(ref, x + 24, y + 9, 13, Token.INK_SOFT, Pen.Hang.LEFT);
    key(ref).ifPresent(key -> pen.spot("key:" + key.text(), x - 18, y - 18, 36, 36));
  }

  private List<String> keyRefs() {
    return panel.keys().values().stream().flatMap(List::stream).distinct().sorted().toList();
  }

  /** The key that is made of this switch alone. */
  private Optional<Panel.Key> key(String ref) {
    return panel.keys().entrySet().stream()
        .filter(entry -> entry.getValue().equals(List.of(ref)))
        .map(java.util.Map.Entry::getKey)
        .findFirst();
  }

  private String role(String ref) {
    return key(ref).map(key -> "key." + key.text()).orElse("key.other");
  }

  private void sheet(Pen pen, double x, double y, double w, double h) {
    List<ToggleSheet.Row> rows = work.sheet().rows();
    int most = Math.max(1, (int) ((h - 30) / ROW_PX));
    int now = 0;
    for (int i = 0; i < rows.size(); i++) {
      if (rows.get(i).address() == look.row()) {
        now = i;
      }
    }
    int from = Math.clamp(now - most / 3, 0, Math.max(0, rows.size() - most));
    double[] at = {x + 34, x + 104, x + 216, x + 274, x + 344, x + 474};
    List<String> heads = List.of("address", "split", "hex", "octal", "binary", "mnemonic");
    for (int i = 0; i < heads.size(); i++) {
      pen.text(
          words.say("panel.mat." + heads.get(i)), at[i], y + 8, 13, Token.INK_SOFT, Pen.Hang.LEFT);
    }
    for (int i = from; i < Math.min(rows.size(), from + most); i++) {
      row(pen, rows.get(i), at, x, y + 32 + (i - from) * ROW_PX, w, i == now && look.row() != NONE);
    }
  }

  private void row(
      Pen pen, ToggleSheet.Row row, double[] at, double x, double y, double w, boolean now) {
    if (now) {
      pen.box(x, y - ROW_PX / 2, w, ROW_PX, 4, Token.FLUX_PALE, null);
    }
    Integer read = work.read().get(row.address());
    boolean put = work.put().containsKey(row.address());
    String standing =
        read != null && read != row.value()
            ? "ailing"
            : read != null ? "done" : put ? "now" : "todo";
    pen.standing(x + 14, y, 8, standing);
    Token ink = now ? Token.INK : Token.INK_SOFT;
    pen.mono(NumberBase.HEX.of((int) row.address()), at[0], y, 17, ink, Pen.Hang.LEFT);
    pen.mono(NumberBase.split(row.address()), at[1], y, 17, ink, Pen.Hang.LEFT);
    pen.mono(NumberBase.HEX.of(row.value()), at[2], y, 17, ink, Pen.Hang.LEFT);
    pen.mono(NumberBase.OCTAL.of(row.value()), at[3], y, 17, ink, Pen.Hang.LEFT);
    pen.mono(
        NumberBase.BINARY.of(row.value()).replaceFirst("(....)(....)", "$1 $2"),
        at[4],
        y,
        17,
        ink,
        Pen.Hang.LEFT);
    pen.text(
        Pen.fitted(row.mnemonic().replaceAll("\\s+", " "), 17, x + w - at[5]),
        at[5],
        y,
        17,
        ink,
        Pen.Hang.LEFT);
  }

  @Override
  public String spoken() {
    return words.say("panel.mat.spoken", work.rowsPut(), work.sheet().rows().size());
  }
}
