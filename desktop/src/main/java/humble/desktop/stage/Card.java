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
 * @param takes what may be typed
 * @param go what Enter does, in words
 * @param goEnabled whether Enter does it already
 * @param enter what Enter does
 * @param keys the other keys, those without words included
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
    Takes takes,
    String go,
    boolean goEnabled,
    Runnable enter,
    List<Key> keys) {
  /** Pressed by minus, and by backspace where nothing is typed. */
  public static final char BACK = '-';

  /** The key that leaves. */
  public static final char ESC = '\u001b';

  /** No key: done by a click on the words alone. */
  private static final char NONE = '\0';

  public Card {
    // What a kit or a list says may hold signs that cannot be seen or that turn the line round.
    kicker = ForeignText.shown(kicker);
    title = ForeignText.shown(title);
    how = how.stream().map(ForeignText::shown).toList();
    rows = List.copyOf(rows);
    why = why.stream().map(ForeignText::shown).toList();
    go = ForeignText.shown(go);
    keys = List.copyOf(keys);
  }

  /** Gives this card with another verdict. */
  public Card withVerdict(Verdict said) {
    return new Card(
        kicker,
        title,
        how,
        field,
        Optional.of(said),
        caution,
        rows,
        why,
        takes,
        go,
        goEnabled,
        enter,
        keys);
  }

  /** Gives this card with a further caution; several stand together, under the gravest sign. */
  public Card withCaution(Warning also) {
    Warning all =
        caution
            .map(before ->
                before.text().contains(also.text())
                    ? before
                    : new Warning(
                        before.grave() || also.grave(), before.text() + " " + also.text()))
            .orElse(also);
    return new Card(
        kicker,
        title,
        how,
        field,
        verdict,
        Optional.of(all),
        rows,
        why,
        takes,
        go,
        goEnabled,
        enter,
        keys);
  }

  /** Gives this card with another thing that Enter does, at once. */
  public Card withGo(String text, Runnable act) {
    return new Card(
        kicker, title, how, field, verdict, caution, rows, why, takes, text, true, act, keys);
  }

  /** Gives this card with a further key, unless it has that key already. */
  public Card withKey(Key key) {
    if (key(key.press()).isPresent()) {
      return this;
    }
    List<Key> more = new ArrayList<>(keys);
    more.add(key);
    return new Card(
        kicker, title, how, field, verdict, caution, rows, why, takes, go, goEnabled, enter, more);
  }

  /** Gives what a key does here. */
  public Optional<Key> key(char press) {
    return keys.stream().filter(key -> key.press() == press && press != NONE).findFirst();
  }

  /** Gives the keys that are told. */
  public List<Key> hints() {
    return keys.stream().filter(key -> !key.text().isEmpty()).toList();
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

  /**
   * A key and what it does: one declaration for the words on the card and for the act.
   *
   * @param press the character pressed
   * @param cap what stands on the key
   * @param text what it does, in words; empty when it is not told
   * @param act what it does
   */
  public record Key(char press, String cap, String text, Runnable act) {
    public Key {
      text = ForeignText.shown(text);
    }

    /** Makes a key that is told by its usual cap. */
    public static Key of(char press, String text, Runnable act) {
      String cap = press == BACK ? "−" : press == ESC ? "Esc" : String.valueOf(press);
      return new Key(press, cap, text, act);
    }
  }

  /** Makes cards piece by piece. */
  public static final class Maker {
    private final String kicker;
    private final String title;
    private final List<String> how = new ArrayList<>();
    private final List<Row> rows = new ArrayList<>();
    private final List<String> why = new ArrayList<>();
    private final List<Key> keys = new ArrayList<>();
    private Takes takes = Takes.NOTHING;
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

    /** Sets a field that takes digits. */
    public Maker field(String typed, String unit) {
      return field(typed, unit, Takes.DIGITS);
    }

    /** Sets the field. */
    public Maker field(String typed, String unit, Takes what) {
      field = new Field(typed, unit);
      takes = what;
      return this;
    }

    /** Says what may be typed where no field is shown yet. */
    public Maker takes(Takes what) {
      takes = what;
      return this;
    }

    /** Sets the verdict. */
    public Maker verdict(boolean good, String text) {
      verdict = new Verdict(good, text);
      return this;
    }

    /** Adds a caution; several stand together, under the gravest sign. */
    public Maker caution(boolean grave, String text) {
      Warning before = caution;
      if (before == null) {
        caution = new Warning(grave, text);
      } else if (!before.text().contains(text)) {
        caution = new Warning(grave || before.grave(), before.text() + " " + text);
      }
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

    /** Adds a key. */
    public Maker key(char press, String text, Runnable act) {
      keys.add(Key.of(press, text, act));
      return this;
    }

    /** Adds a key that is told by another cap: one that stands for two. */
    public Maker key(char press, String cap, String text, Runnable act) {
      keys.add(new Key(press, cap, text, act));
      return this;
    }

    /** Adds a key that other words on the card tell. */
    public Maker silent(char press, Runnable act) {
      keys.add(new Key(press, "", "", act));
      return this;
    }

    /** Adds something that a click does and that is typed otherwise. */
    public Maker click(String cap, String text, Runnable act) {
      keys.add(new Key(NONE, cap, text, act));
      return this;
    }

    /** Adds a row that a digit chooses; the row tells the digit. */
    public Maker choice(int number, Standing standing, String text, Runnable act) {
      row(standing, text);
      return silent((char) ('0' + number), act);
    }

    /** Ends the card with what Enter does. */
    public Card go(String text, Runnable act) {
      return finish(text, true, act);
    }

    /** Ends the card with what Enter will do once it may. */
    public Card notYet(String text) {
      return finish(text, false, () -> {});
    }

    private Card finish(String text, boolean enabled, Runnable act) {
      return new Card(
          kicker,
          title,
          how,
          Optional.ofNullable(field),
          Optional.ofNullable(verdict),
          Optional.ofNullable(caution),
          rows,
          why,
          takes,
          text,
          enabled,
          act,
          keys);
    }
  }
}
