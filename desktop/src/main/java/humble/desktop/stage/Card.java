package humble.desktop.stage;

import humble.core.words.ForeignText;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * The thing now: what to do, how to do it right, how to know that it is right.
 *
 * @param kicker where this is in the work
 * @param title the thing to do
 * @param how two or three short lines
 * @param field what is typed, when something is
 * @param verdict what the typed text or the last answer amounts to
 * @param caution what can hurt here
 * @param rows a short list with a shape each
 * @param why why now
 * @param go what Enter does
 * @param goEnabled whether Enter does it already
 * @param hints other keys
 */
public record Card(
    String kicker,
    String title,
    List<String> how,
    Optional<Field> field,
    Optional<Verdict> verdict,
    Optional<Warning> caution,
    List<Row> rows,
    List<String> why,
    String go,
    boolean goEnabled,
    List<Hint> hints) {
  public Card {
    // What a kit or a list says may hold signs that cannot be seen or that turn the line round.
    kicker = ForeignText.shown(kicker);
    title = ForeignText.shown(title);
    how = how.stream().map(ForeignText::shown).toList();
    rows = List.copyOf(rows);
    why = why.stream().map(ForeignText::shown).toList();
    go = ForeignText.shown(go);
    hints = List.copyOf(hints);
  }

  /** Gives this card with another verdict. */
  public Card withVerdict(Verdict said) {
    return new Card(
        kicker, title, how, field, Optional.of(said), caution, rows, why, go, goEnabled, hints);
  }

  /** Gives this card with another thing that Enter does, at once. */
  public Card withGo(String text) {
    return new Card(kicker, title, how, field, verdict, caution, rows, why, text, true, hints);
  }

  /** A field: what was typed and what it counts in. */
  public record Field(String typed, String unit) {}

  /** What a text amounts to; {@code good} decides the shape beside it. */
  public record Verdict(boolean good, String text) {
    public Verdict {
      text = ForeignText.shown(text);
    }
  }

  /** A caution; a grave one has an octagon. */
  public record Warning(boolean grave, String text) {
    public Warning {
      text = ForeignText.shown(text);
    }
  }

  /** One row of a short list. */
  public record Row(Standing standing, String text) {
    public Row {
      text = ForeignText.shown(text);
    }
  }

  /** A key and what it does. */
  public record Hint(String key, String text, Runnable act) {
    public Hint {
      text = ForeignText.shown(text);
    }
  }

  /** Makes cards piece by piece. */
  public static final class Maker {
    private final String kicker;
    private final String title;
    private final List<String> how = new ArrayList<>();
    private final List<Row> rows = new ArrayList<>();
    private final List<String> why = new ArrayList<>();
    private final List<Hint> hints = new ArrayList<>();
    private @Nullable Field field;
    private @Nullable Verdict verdict;
    private @Nullable Warning caution;

    /** Begins a card. */
    public Maker(String kicker, String title) {
      this.kicker = kicker;
      this.title = title;
    }

    /** Adds a line of how. */
    public Maker how(String line) {
      how.add(line);
      return this;
    }

    /** Sets the field. */
    public Maker field(String typed, String unit) {
      field = new Field(typed, unit);
      return this;
    }

    /** Sets the verdict. */
    public Maker verdict(boolean good, String text) {
      verdict = new Verdict(good, text);
      return this;
    }

    /** Sets the caution. */
    public Maker caution(boolean grave, String text) {
      caution = new Warning(grave, text);
      return this;
    }

    /** Adds a row. */
    public Maker row(Standing standing, String text) {
      rows.add(new Row(standing, text));
      return this;
    }

    /** Adds a reason. */
    public Maker why(String line) {
      why.add(line);
      return this;
    }

    /** Adds another key. */
    public Maker hint(String key, String text, Runnable act) {
      hints.add(new Hint(key, text, act));
      return this;
    }

    /** Ends the card with what Enter does. */
    public Card go(String text) {
      return finish(text, true);
    }

    /** Ends the card with what Enter will do once it may. */
    public Card notYet(String text) {
      return finish(text, false);
    }

    private Card finish(String text, boolean enabled) {
      return new Card(
          kicker,
          title,
          how,
          Optional.ofNullable(field),
          Optional.ofNullable(verdict),
          Optional.ofNullable(caution),
          rows,
          why,
          text,
          enabled,
          hints);
    }
  }
}
