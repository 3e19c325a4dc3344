package humble.desktop.guide;

import humble.core.words.Words;
import humble.desktop.draw.Mat;
import humble.desktop.stage.Card;
import humble.desktop.stage.Desk;
import humble.desktop.stage.Stage;
import humble.desktop.stage.StageId;
import humble.desktop.stage.Standing;
import humble.desktop.stage.Takes;
import humble.desktop.stage.Typed;
import humble.formats.guide.GuideBook;
import humble.formats.guide.GuidePage;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.function.Function;

/**
 * The guide, laid over the stage that is open: the page of that stage, what is found in all pages
 * and among all keys, and the keys of the card beneath.
 */
public final class GuideStage implements Stage {
  private static final int MOST_ROWS = 9;
  private static final double WHEEL_PX = 90;

  private final Desk desk;
  private final Words words;
  private final GuideBook book;
  private final Card beneath;
  private final Function<String, Optional<Runnable>> everywhere;
  private final Runnable leave;
  private final Typed typed = new Typed();
  private final Scrolled scrolled;
  private GuidePage page;

  /**
   * Makes it.
   *
   * @param page the page that is opened
   * @param beneath the card of the stage beneath
   * @param everywhere gives what a key of the page of keys does, by its line, where it holds
   *     everywhere
   * @param leave goes back to the stage
   */
  public GuideStage(
      Desk desk,
      GuideBook book,
      String page,
      Card beneath,
      Function<String, Optional<Runnable>> everywhere,
      Runnable leave) {
    this.desk = desk;
    this.words = desk.words();
    // What is found while drawing is shown in a turn of its own.
    this.scrolled = new Scrolled(() -> CompletableFuture.runAsync(desk::refresh));
    this.book = book;
    this.page = book.page(page);
    this.beneath = beneath;
    this.everywhere = everywhere;
    this.leave = leave;
  }

  @Override
  public Card card() {
    Card.Maker card = new Card.Maker(words.say("guide.kicker"), page.title());
    card.field(typed.text(), "", Takes.LETTERS);
    List<GuideBook.Hit> hits = book.find(typed.text());
    card.key('+', words.say("guide.next"), () -> turn(1));
    card.key(Card.BACK, words.say("guide.before"), () -> turn(-1));
    card.silent('*', () -> {});
    card.silent('/', () -> {});
    card.silent('?', leave);
    if (typed.isEmpty()) {
      card.how(words.say("guide.how"));
      keysHere(card);
    } else if (hits.isEmpty()) {
      card.verdict(false, words.say("guide.nothing", typed.text()));
    } else {
      for (int i = 0; i < Math.min(MOST_ROWS, hits.size()); i++) {
        GuideBook.Hit hit = hits.get(i);
        card.choice(
            i + 1,
            Standing.TO_DO,
            words.say("guide.hit", i + 1, hit.text(), where(hit)),
            () -> open(hit));
      }
      if (hits.size() > MOST_ROWS) {
        card.how(words.say("guide.more", hits.size() - MOST_ROWS));
      }
    }
    card.key(
        Card.ESC,
        words.say(typed.isEmpty() ? "guide.leave" : "guide.clear"),
        typed.isEmpty() ? leave : typed::clear);
    return hits.isEmpty()
        ? card.go(words.say(scrolled.saysMore() ? "guide.on" : "guide.next-page"), this::readOn)
        : card.go(words.say("guide.first"), () -> open(hits.getFirst()));
  }

  private static String where(GuideBook.Hit hit) {
    return hit.section().equals(hit.page().title())
        ? hit.page().title()
        : hit.page().title() + ", " + hit.section();
  }

  /** What the keys do on the card beneath, each to be done from here. */
  private void keysHere(Card.Maker card) {
    List<Card.Key> keys = beneath.hints();
    for (int i = 0; i < Math.min(MOST_ROWS, keys.size()); i++) {
      Card.Key key = keys.get(i);
      card.choice(
          i + 1,
          Standing.TO_DO,
          words.say("guide.key", i + 1, key.cap(), key.text()),
          () -> {
            leave.run();
            key.act().run();
          });
    }
  }

  private void turn(int by) {
    page = book.beside(page, by);
    scrolled.to(-1);
    typed.clear();
  }

  private void readOn() {
    if (scrolled.hasMore()) {
      scrolled.on();
    } else {
      turn(1);
    }
  }

  /** A key that holds everywhere is pressed; a stage's is gone to; anything else is read. */
  private void open(GuideBook.Hit hit) {
    typed.clear();
    if (hit.page().id().equals(GuideBook.KEYS)
        && hit.page().blocks().get(hit.block()) instanceof GuidePage.Item item) {
      Optional<Runnable> act = everywhere.apply(item.text());
      if (act.isPresent()) {
        leave.run();
        act.get().run();
        return;
      }
      for (StageId stage : StageId.values()) {
        if (words.say(stage.key()).equals(hit.section())) {
          leave.run();
          desk.go(stage);
          return;
        }
      }
    }
    page = hit.page();
    scrolled.to(hit.block());
  }

  @Override
  public Mat mat() {
    return new GuideMat(
        page,
        scrolled,
        words.say("guide.place", book.pages().indexOf(page) + 1, book.pages().size()));
  }

  @Override
  public Typed typed() {
    return typed;
  }

  @Override
  public void wheel(boolean up) {
    scrolled.by(up ? -WHEEL_PX : WHEEL_PX);
  }

  @Override
  public boolean pull(double dx, double dy) {
    scrolled.by(-dy);
    return true;
  }
}
