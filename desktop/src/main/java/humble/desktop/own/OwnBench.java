package humble.desktop.own;

import humble.core.build.Build;
import humble.core.kit.Board;
import humble.core.kit.BoardPhoto;
import humble.core.kit.Kit;
import humble.core.kit.Parts;
import humble.core.kit.PointMm;
import humble.core.kit.SeenHole;
import humble.core.kit.Side;
import humble.core.orient.BoardView;
import humble.core.own.Follows;
import humble.core.own.Stone;
import humble.core.own.Stones;
import humble.desktop.draw.BoardPicture;
import humble.desktop.draw.Faces;
import humble.desktop.hand.Seat;
import humble.desktop.session.OpenBuild;
import humble.desktop.session.PhotosOfBuild;
import humble.desktop.session.Session;
import humble.desktop.stage.Card;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/** What all hands share that ask about the kit itself. */
final class OwnBench {
  private static final double MARGIN_MM = 2;
  private static final Set<String> OF_NO_PART = Set.of("limit", "thickness", "net", "photo");

  private final Session session;
  private final Seat seat;

  /** Questions that were put off; they come again when the stage is entered anew. */
  private final Set<String> later = new HashSet<>();

  /** The mark that was printed beside the last part of a kind. */
  private final Map<String, String> lastMark = new HashMap<>();

  private Side side = Side.TOP;
  private int turnDeg;
  private String boardId = "";
  private String trouble = "";
  private @Nullable BoardPicture shown;
  private @Nullable OpenBuild facesOf;
  private Faces faces = Faces.NONE;
  private @Nullable Build reckonedFor;
  private List<Stone> reckoned = List.of();

  OwnBench(Session session, Seat seat) {
    this.session = session;
    this.seat = seat;
  }

  Seat seat() {
    return seat;
  }

  Session session() {
    return session;
  }

  /** Gives the build with its kit as it was last told. */
  OpenBuild open() {
    return session.open().orElseThrow();
  }

  Kit kit() {
    return open().kit();
  }

  Parts parts() {
    return open().parts();
  }

  Set<String> answered() {
    return open().build().answered().keySet();
  }

  Set<String> guessed() {
    return open().build().guessed();
  }

  /** Gives the parts of which something is guessed. */
  Set<String> guessedRefs() {
    Set<String> refs = new HashSet<>();
    guessed()
        .forEach(guess -> {
          int colon = guess.indexOf(':');
          if (!OF_NO_PART.contains(guess.substring(0, Math.max(0, colon)))) {
            refs.add(guess.substring(colon + 1));
          }
        });
    return refs;
  }

  /** Gives the pads that an answer named. */
  Optional<String> said(String question) {
    return Optional.ofNullable(open().build().answered().get(question)).map(a -> a.said());
  }

  List<Stone> stones() {
    OpenBuild now = open();
    if (reckonedFor != now.build()) {
      reckonedFor = now.build();
      reckoned = Stones.of(now.parts(), answered(), guessed());
    }
    return reckoned;
  }

  /** Writes an answer down; what stands against it is told on the next card. */
  boolean tell(String question, String said, Follows follows) {
    List<String> against = session.tell(question, said, follows);
    trouble = against.isEmpty() ? "" : against.getFirst();
    return against.isEmpty();
  }

  /** Says why an answer cannot be taken. */
  void trouble(String sentence) {
    trouble = sentence;
  }

  void trouble(Card.Maker card) {
    if (!trouble.isEmpty()) {
      card.verdict(false, trouble);
    }
  }

  void putOff(String question) {
    trouble = "";
    later.add(question);
  }

  boolean isPutOff(String question) {
    return later.contains(question);
  }

  /** Lets everything that was put off be asked again. */
  void askAgain() {
    later.clear();
  }

  Optional<String> lastMark(String kind) {
    return Optional.ofNullable(lastMark.get(kind));
  }

  void lastMark(String kind, String mark) {
    lastMark.put(kind, mark);
  }

  /** Takes the last act back, and shows what it was about. */
  void takeBack() {
    trouble = "";
    open().takeBack();
  }

  Board board() {
    return kit().board(boardId).orElseGet(() -> kit().boards().getFirst());
  }

  BoardView view() {
    return new BoardView(board(), side, turnDeg);
  }

  Side side() {
    return side;
  }

  void turn() {
    turnDeg = (turnDeg + 90) % 360;
  }

  void flip() {
    side = side.other();
  }

  /** Goes to the next board of the kit. */
  void otherBoard() {
    List<String> ids = kit().boards().stream().map(Board::id).toList();
    boardId = ids.get((ids.indexOf(board().id()) + 1) % ids.size());
  }

  /** Draws the board with what the kit can do so far. */
  OwnMat mat(
      String title,
      List<PointMm> rings,
      List<OwnMat.Tag> tags,
      Set<String> lit,
      OwnMat.Answers answers) {
    return new OwnMat(
        title,
        parts(),
        view(),
        this::shown,
        null,
        rings,
        tags,
        lit,
        answers,
        new StonesStrip(seat.words(), stones()),
        guessedRefs(),
        List.of(),
        ground());
  }

  /** Gives what the board is drawn on. */
  OwnMat.Ground ground() {
    return new OwnMat.Ground(faces(), overPhoto(), holes());
  }

  /** Gives the faces of the boards as the build on the bench has them. */
  Faces faces() {
    OpenBuild now = open();
    if (facesOf != now) {
      facesOf = now;
      boolean any = now.kit().boards().stream().anyMatch(board -> !board.photos().isEmpty());
      faces = any ? PhotosOfBuild.faces(now) : Faces.NONE;
    }
    return faces;
  }

  /** Tells whether there is a photo of the board with its parts on. */
  boolean isFittedSeen() {
    return !kit().boards().isEmpty() && board().photo(Side.TOP, true).isPresent();
  }

  /** Tells whether a photo is looked at. */
  boolean overPhoto() {
    return open().photo(board(), side).isPresent();
  }

  /** Gives where holes were seen on photos of the board, from the top. */
  List<PointMm> holes() {
    return board().photos().stream()
        .filter(photo -> !photo.fitted())
        .sorted(Comparator.comparing((BoardPhoto photo) -> photo.side() != side))
        .limit(1)
        .flatMap(photo -> photo.holes().stream())
        .map(SeenHole::at)
        .toList();
  }

  /** Remembers how the board was painted last: clicks are read by it. */
  void shown(BoardPicture picture) {
    shown = picture;
  }

  /** Gives the point of the board under a place on the mat; empty beside the board. */
  Optional<PointMm> under(double x, double y) {
    BoardPicture picture = shown;
    if (picture == null) {
      return Optional.empty();
    }
    PointMm at = picture.onBoard(x, y);
    return isOnBoard(at) ? Optional.of(at) : Optional.empty();
  }

  /** Tells whether a point lies on the board, or so near its edge that a pad may reach there. */
  boolean isOnBoard(PointMm at) {
    Board board = board();
    return at.xMm() > -MARGIN_MM
        && at.yMm() > -MARGIN_MM
        && at.xMm() < board.widthMm() + MARGIN_MM
        && at.yMm() < board.heightMm() + MARGIN_MM;
  }

  /** Lays the board that a part sits on before the maker. */
  void lookAt(String ref) {
    kit().placeOf(ref).ifPresent(place -> boardId = place.board());
  }

  /** Lays the board that a part sits on before the maker, its side up. */
  void faceUp(String ref) {
    lookAt(ref);
    kit().placeOf(ref).ifPresent(place -> side = place.side());
  }

  /** Says which side of which board is looked at. */
  String looked() {
    String size = seat.say("own.mat." + side.text(), board().widthMm(), board().heightMm());
    String named = kit().boards().size() > 1 ? board().id() + ": " + size : size;
    if (board().photos().isEmpty()) {
      return named;
    }
    return seat.say(
        "own.mat.over."
            + (overPhoto() ? open().looked().name().toLowerCase(Locale.ROOT) : "drawing"),
        named);
  }
}
