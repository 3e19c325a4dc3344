package humble.desktop.beside;

import humble.core.build.BuildEvent;
import humble.core.kit.ModulePage;
import humble.desktop.draw.Mat;
import humble.desktop.hand.Hand;
import humble.desktop.stage.Card;
import humble.desktop.stage.Standing;
import humble.desktop.stage.Takes;
import humble.formats.InputFile;
import java.io.IOException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * A page that a module shows by itself: what is typed where, field by field; then restart, and what
 * is seen. What was typed stays in a file of the maker's own, and nowhere else.
 */
final class PageHand extends Hand {
  private final BesideBench bench;
  private final ModulePage page;
  private final Map<String, String> typed = new LinkedHashMap<>();
  private int at = -1;
  private String trouble = "";

  PageHand(BesideBench bench, ModulePage page) {
    super(bench.seat());
    this.bench = bench;
    this.page = page;
    read();
  }

  private String file() {
    return page.id() + ".page";
  }

  private void read() {
    try {
      bench
          .files()
          .text(file())
          .ifPresent(text ->
              text.lines()
                  .filter(line -> line.indexOf('=') > 0)
                  .forEach(line ->
                      typed.put(
                          line.substring(0, line.indexOf('=')).strip(),
                          line.substring(line.indexOf('=') + 1).strip())));
    } catch (IOException e) {
      trouble = file() + ": " + InputFile.reason(e);
    }
  }

  @Override
  public Card card() {
    String title = page.title().isEmpty() ? page.id() : page.title();
    if (at < 0) {
      Card.Maker card = seat.card(say("beside.kicker", page.id()), title);
      card.how(page.open());
      card.how(say("beside.page.fields", page.fields().size()));
      if (!trouble.isEmpty()) {
        card.verdict(false, trouble);
      }
      card.key('.', say("wake.later"), () -> bench.leave(page.id()));
      return card.go(say("beside.page.open"), () -> at = 0);
    }
    if (at < page.fields().size()) {
      return field(page.fields().get(at));
    }
    Card.Maker card = seat.card(say("beside.kicker", page.id()), say("beside.page.restart"));
    card.how(page.restart());
    if (!page.expect().isEmpty()) {
      card.how(say("wake.expect", page.expect()));
    }
    card.key(Card.ESC, say("beside.page.again"), () -> at = 0);
    card.choice(
        2, Standing.TO_DO, say("mend.choice", 2, say("beside.page.other")), () -> seen(false));
    return card.go(say("beside.page.seen"), () -> seen(true));
  }

  private Card field(ModulePage.Field field) {
    Card.Maker card =
        seat.card(
            say("beside.page.kicker", page.id(), at + 1, page.fields().size()), field.label());
    if (!field.say().isEmpty()) {
      card.how(field.say());
    }
    if (!trouble.isEmpty()) {
      card.verdict(false, trouble);
    }
    card.key(Card.ESC, say("beside.page.again"), () -> at = 0);
    if (!field.value().isEmpty()) {
      card.how(say("beside.page.type", field.value()));
      return card.go(say("beside.page.there"), () -> take(field, field.value()));
    }
    card.field(typed().text(), "", Takes.TEXT);
    card.why(say("beside.own", bench.files().shown(file())));
    if (field.isPrivate()) {
      card.why(say("load.setting.private"));
    }
    String now = typed().text().strip();
    String before = typed.getOrDefault(field.id(), "");
    if (!now.isEmpty()) {
      return card.go(say("beside.page.typed"), () -> take(field, now));
    }
    if (!before.isEmpty()) {
      return card.go(
          field.isPrivate() ? say("beside.page.same") : say("load.setting.keep", before),
          () -> take(field, before));
    }
    return field.required()
        ? card.notYet(say("load.setting.type"))
        : card.go(say("beside.page.empty"), () -> take(field, ""));
  }

  private void take(ModulePage.Field field, String value) {
    typed.put(field.id(), value.replaceAll("[\\r\\n]", " "));
    StringBuilder text = new StringBuilder();
    typed.forEach((id, is) -> text.append(id).append(" = ").append(is).append('\n'));
    try {
      bench.files().write(file(), text.toString());
      trouble = "";
      typed().clear();
      at++;
    } catch (IOException e) {
      trouble = file() + ": " + InputFile.reason(e);
    }
  }

  private void seen(boolean good) {
    if (!good) {
      bench.leave(page.id());
    }
    bench
        .open()
        .act(
            new BuildEvent.BesideDone(
                page.id(),
                BuildEvent.BesideDone.PAGE,
                page.fields().size(),
                good,
                bench.open().practiceOn(),
                ""));
  }

  @Override
  public Mat mat() {
    List<BesideMat.Line> lines = new ArrayList<>();
    for (int i = 0; i < page.fields().size(); i++) {
      ModulePage.Field field = page.fields().get(i);
      String value = typed.getOrDefault(field.id(), field.value());
      lines.add(
          new BesideMat.Line(
              i < at ? "done" : i == at ? "now" : "todo",
              field.label(),
              field.isPrivate() && !value.isEmpty() ? "…" : value));
    }
    return BesideMat.of(seat, page.title().isEmpty() ? page.id() : page.title(), lines);
  }
}
