package humble.desktop.own;

import humble.core.circuit.Cancelled;
import humble.core.kit.Board;
import humble.core.kit.BoardPhoto;
import humble.core.kit.Part;
import humble.core.kit.Place;
import humble.core.kit.PointMm;
import humble.core.kit.SeenHole;
import humble.core.kit.Side;
import humble.core.own.Edit;
import humble.core.own.Follows;
import humble.desktop.draw.Mat;
import humble.desktop.hand.Hand;
import humble.desktop.session.Errand;
import humble.desktop.stage.Card;
import humble.desktop.stage.Standing;
import humble.desktop.stage.Takes;
import humble.formats.kit.KitFolder;
import humble.photo.Px;
import humble.photo.Straightening.Straightened;
import humble.photo.Watch;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.BooleanSupplier;
import java.util.function.Function;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javafx.scene.image.PixelFormat;
import javafx.scene.image.WritableImage;
import org.jspecify.annotations.Nullable;

/**
 * Takes a photo of the board: finds its corners, lets a hand pull them, takes the size where nobody
 * has said it, and keeps the straightened picture with its holes.
 */
final class PhotoHand extends Hand {
  private static final Pattern NUMBERS =
      Pattern.compile("(\\d+(?:[.,]\\d+)?)(?:/(\\d+(?:[.,]\\d+)?))?");
  private static final double THICK_MM = 1.6;
  private static final double LEAST_MM = 3;
  private static final double MOST_MM = 2000;

  /**
   * The corner that stands at each key of the keypad: lower left, lower right, upper right, left.
   */
  private static final char[] CORNER_KEYS = {'1', '3', '9', '7'};

  private final OwnBench bench;
  private PhotoOf of = PhotoOf.TOP;
  private @Nullable PhotoTaken taken;
  private @Nullable WritableImage shown;
  private PhotoMat.@Nullable Laid laid;
  private List<Px> corners = List.of();
  private List<Px> ends = List.of();
  private int picked = -1;
  private boolean pulled;
  private Errand<?> work = Errand.over();
  private volatile double share;
  private String trouble = "";
  private boolean over;

  PhotoHand(OwnBench bench) {
    super(bench.seat());
    this.bench = bench;
    if (board().isPresent() && !board().get().photos().isEmpty()) {
      boolean top = board().get().photo(Side.TOP, false).isPresent();
      boolean solder = board().get().photo(Side.BOTTOM, false).isPresent();
      of = !top ? PhotoOf.TOP : solder ? PhotoOf.FITTED : PhotoOf.SOLDER;
    }
  }

  @Override
  public boolean over() {
    return over;
  }

  private Optional<Board> board() {
    return bench.kit().boards().isEmpty() ? Optional.empty() : Optional.of(bench.board());
  }

  private Optional<PhotoTaken.Size> size() {
    return board().map(board -> new PhotoTaken.Size(board.widthMm(), board.heightMm()));
  }

  /** Reads a photo. */
  void read(Path file) {
    Optional<PhotoTaken.Size> size = size();
    start(
        watch -> PhotoTaken.read(file, size, watch),
        read -> {
          trouble = read.refused().map(seat::say).orElse("");
          PhotoTaken now = read.taken();
          if (now != null) {
            shown = null;
            take(now);
          }
        });
  }

  private <T> void start(Function<Watch, T> job, java.util.function.Consumer<T> then) {
    work.cancel();
    share = 0;
    trouble = "";
    work =
        own(
            bench
                .open()
                .works()
                .start(
                    calledOff -> job.apply(watch(calledOff)),
                    made -> {
                      then.accept(made);
                      seat.desk().refresh();
                    }));
  }

  private Watch watch(BooleanSupplier calledOff) {
    return done -> {
      if (calledOff.getAsBoolean()) {
        throw new Cancelled();
      }
      share = done;
      seat.desk().refresh();
    };
  }

  private void take(PhotoTaken now) {
    taken = now;
    picked = -1;
    pulled = false;
    trouble = now.refused().map(seat::say).orElse("");
    Straightened flat = now.flat();
    if (flat != null) {
      corners = flat.corners();
    } else if (corners.isEmpty()) {
      double w = now.photo().widthPx();
      double h = now.photo().heightPx();
      corners =
          List.of(
              new Px(w * 0.2, h * 0.8),
              new Px(w * 0.8, h * 0.8),
              new Px(w * 0.8, h * 0.2),
              new Px(w * 0.2, h * 0.2));
    }
  }

  @Override
  public Card card() {
    PhotoTaken now = taken;
    if (work.isRunning()) {
      Card.Maker card = seat.card(kicker(), say("own.photo.busy"));
      card.how(say("own.photo.share", (int) Math.round(share * 100)));
      card.key(Card.BACK, say("own.photo.call-off"), this::callOff);
      return card.notYet(say("own.photo.wait"));
    }
    if (now == null) {
      return ask();
    }
    return now.flat() != null && now.size().isEmpty() ? askSize(now) : look(now);
  }

  private String kicker() {
    return say("own.photo.kicker." + of.text());
  }

  private void callOff() {
    work.cancel();
    work = Errand.over();
  }

  private Card ask() {
    Card.Maker card = seat.card(kicker(), say("own.photo.title." + of.text()));
    card.how(say("own.photo.how"));
    if (!trouble.isEmpty()) {
      card.verdict(false, sentence(trouble));
    }
    int number = 0;
    for (PhotoOf each : PhotoOf.values()) {
      number++;
      card.choice(
          number,
          each == of ? Standing.NOW : Standing.TO_DO,
          say("own.choice", number, say("own.photo.of." + each.text())),
          () -> of = each);
    }
    card.key(Card.BACK, say("own.photo.leave"), () -> over = true);
    card.why(say("own.photo.why"));
    return card.go(
        say("own.photo.open"), () -> seat.desk().chooseFile(say("own.photo.choose"), this::read));
  }

  private static String sentence(String text) {
    return text.substring(0, 1).toUpperCase(Locale.ROOT) + text.substring(1) + ".";
  }

  private Card askSize(PhotoTaken now) {
    Card.Maker card = seat.card(kicker(), say("own.photo.size.title"));
    card.how(say("own.photo.size.how"));
    card.how(say("own.photo.size.known." + ends.size()));
    card.field(typed().text(), "mm", Takes.DIGITS);
    if (!trouble.isEmpty()) {
      card.verdict(false, sentence(trouble));
    }
    card.silent('/', () -> typed().type(typed().text() + "/"));
    card.key(Card.BACK, say("own.photo.leave"), this::backFromSize);
    Optional<PhotoTaken.Size> size = typedSize(now);
    return size.map(to ->
            card.go(
                say("own.board.go", to.widthMm(), to.heightMm()),
                () -> {
                  typed().clear();
                  ends = List.of();
                  start(watch -> now.sized(to, watch), this::take);
                }))
        .orElseGet(() -> card.notYet(say("own.photo.size.none")));
  }

  private void backFromSize() {
    if (ends.isEmpty()) {
      over = true;
    } else {
      ends = ends.subList(0, ends.size() - 1);
    }
  }

  /** Width and height, or one length between two ends that were clicked. */
  private Optional<PhotoTaken.Size> typedSize(PhotoTaken now) {
    Matcher matcher = NUMBERS.matcher(typed().text());
    Straightened flat = now.flat();
    if (!matcher.matches() || flat == null) {
      return Optional.empty();
    }
    double first = number(matcher.group(1));
    Optional<PhotoTaken.Size> size;
    if (matcher.group(2) != null) {
      size = Optional.of(new PhotoTaken.Size(first, number(matcher.group(2))));
    } else if (ends.size() == 2) {
      PointMm corner = flat.onBoard().apply(corners.get(2));
      double seen = flat.onBoard().apply(ends.get(0)).distanceMm(flat.onBoard().apply(ends.get(1)));
      double scale = first / seen;
      size =
          Optional.of(
              new PhotoTaken.Size(
                  Math.round(corner.xMm() * scale * 10) / 10.0,
                  Math.round(corner.yMm() * scale * 10) / 10.0));
    } else {
      return Optional.empty();
    }
    return size.filter(to ->
        Math.min(to.widthMm(), to.heightMm()) >= LEAST_MM
            && Math.max(to.widthMm(), to.heightMm()) <= MOST_MM);
  }

  private static double number(String text) {
    return Double.parseDouble(text.replace(',', '.'));
  }

  private Card look(PhotoTaken now) {
    Straightened flat = pulled ? null : now.flat();
    Card.Maker card =
        seat.card(
            kicker(), flat == null ? say("own.photo.pull.title") : say("own.photo.look.title"));
    if (flat != null) {
      card.verdict(
          true,
          flat.fitMm()
              .map(fit -> say("own.photo.fits", flat.holes().size(), fit))
              .orElseGet(() -> say("own.photo.by-hand", flat.holes().size())));
    } else if (!trouble.isEmpty()) {
      card.verdict(false, sentence(trouble));
    }
    card.how(say(picked < 0 ? "own.photo.look.how" : "own.photo.pull.how"));
    for (int i = 0; i < CORNER_KEYS.length; i++) {
      int corner = i;
      card.silent(CORNER_KEYS[i], () -> picked = picked == corner ? -1 : corner);
    }
    card.key('1', "1 3 7 9", say("own.photo.key.corner"), () -> picked = picked == 0 ? -1 : 0);
    if (picked >= 0) {
      card.key('8', "2 4 6 8", say("own.photo.key.move"), () -> move(0, -1));
      card.silent('2', () -> move(0, 1));
      card.silent('4', () -> move(-1, 0));
      card.silent('6', () -> move(1, 0));
    }
    card.key('5', say("own.photo.key.turn"), this::turn);
    card.key(Card.BACK, say("own.photo.key.other"), this::other);
    card.why(say("own.photo.look.why"));
    if (flat == null) {
      List<Px> by = corners;
      return card.go(
          say("own.photo.go.straighten"),
          () -> start(watch -> now.cornered(by, watch), this::take));
    }
    return card.go(say("own.photo.go.keep", flat.holes().size()), () -> keep(now));
  }

  private void other() {
    taken = null;
    corners = List.of();
    ends = List.of();
    trouble = "";
  }

  /** The next corner becomes the lower left; of a board that is not square, the one after it. */
  private void turn() {
    PhotoTaken now = taken;
    if (now == null) {
      return;
    }
    boolean oblong =
        now.size().filter(to -> Math.abs(to.widthMm() - to.heightMm()) > 1).isPresent();
    int by = oblong ? 2 : 1;
    List<Px> turned = new ArrayList<>(corners);
    java.util.Collections.rotate(turned, -by);
    corners = List.copyOf(turned);
    picked = -1;
    start(watch -> now.cornered(turned, watch), this::take);
  }

  private void move(int dx, int dy) {
    PhotoTaken now = taken;
    if (picked >= 0 && now != null) {
      // One pixel of what is shown.
      PhotoMat.Laid at = laid;
      double step = at == null ? now.small().factor() : 1 / at.scale();
      Px was = corners.get(picked);
      put(picked, new Px(was.x() + dx * step, was.y() + dy * step));
    }
  }

  private void put(int corner, Px at) {
    List<Px> all = new ArrayList<>(corners);
    all.set(corner, at);
    corners = List.copyOf(all);
    pulled = true;
  }

  @Override
  public void pick(String spot) {
    if (spot.startsWith("corner:")) {
      picked = Integer.parseInt(spot.substring("corner:".length()));
    }
  }

  @Override
  public void point(double x, double y) {
    PhotoMat.Laid at = laid;
    PhotoTaken now = taken;
    if (at == null || now == null || work.isRunning()) {
      return;
    }
    Px clicked = at.photo(x, y);
    if (now.flat() != null && now.size().isEmpty()) {
      ends = ends.size() == 2 ? List.of(clicked) : with(ends, clicked);
    } else if (picked >= 0) {
      put(picked, clicked);
    }
  }

  private static List<Px> with(List<Px> all, Px one) {
    List<Px> more = new ArrayList<>(all);
    more.add(one);
    return List.copyOf(more);
  }

  private void keep(PhotoTaken now) {
    Board board =
        board()
            .orElseGet(() -> {
              PhotoTaken.Size size = now.size().orElseThrow();
              return new Board(
                  "main", "", size.widthMm(), size.heightMm(), THICK_MM, List.of(), Map.of());
            });
    boolean fresh = board().isEmpty();
    PhotoOf what = of;
    List<PointMm> known = known(board);
    KitFolder folder = bench.open().folder();
    Path photos = bench.session().photos();
    start(
        watch -> now.keep(what, board, known, folder, photos),
        kept -> {
          BoardPhoto photo = kept.photo();
          if (photo == null) {
            trouble = kept.refused().map(seat::say).orElse("");
            return;
          }
          List<String> guessed = new ArrayList<>();
          if (fresh) {
            guessed.add("thickness:" + board.id());
          }
          if (kept.unsure()) {
            guessed.add("photo:" + board.id());
          }
          over =
              bench.tell(
                  "photo:" + board.id() + "." + what.text(),
                  photo.file(),
                  new Follows(List.of(new Edit.PutBoard(board.with(photo))), guessed));
        });
  }

  /** Where holes are known to be: seen on the top, else where parts were placed. */
  private List<PointMm> known(Board board) {
    List<PointMm> seen =
        board.photo(Side.TOP, false).stream()
            .flatMap(photo -> photo.holes().stream())
            .map(SeenHole::at)
            .toList();
    if (!seen.isEmpty()) {
      return seen;
    }
    List<PointMm> placed = new ArrayList<>();
    for (Part part : bench.parts().all()) {
      Place place = part.place();
      if (place != null && place.board().equals(board.id())) {
        part.pack().pins().forEach(pin -> placed.add(place.onBoard(pin.at())));
      }
    }
    return placed;
  }

  @Override
  public Mat mat() {
    PhotoTaken now = taken;
    if (now == null) {
      return bench.kit().boards().isEmpty()
          ? new BoardHand(bench, () -> {}, () -> {}).mat()
          : bench.mat(bench.looked(), List.of(), List.of(), Set.of(), OwnMat.Answers.NOTHING);
    }
    return new PhotoMat(
        say("own.photo.mat." + of.text()),
        image(now.small()),
        now.small().factor(),
        corners,
        picked,
        pulled ? null : now.flat(),
        ends,
        say("own.photo.mat.corner"),
        new StonesStrip(seat.words(), bench.stones()),
        place -> laid = place);
  }

  private WritableImage image(PhotoTaken.Small small) {
    WritableImage ready = shown;
    if (ready == null) {
      ready = new WritableImage(small.width(), small.height());
      ready
          .getPixelWriter()
          .setPixels(
              0,
              0,
              small.width(),
              small.height(),
              PixelFormat.getIntArgbInstance(),
              small.argb(),
              0,
              small.width());
      shown = ready;
    }
    return ready;
  }
}
