package humble.desktop.stage;

/** What is typed into the field of a stage, and what was said about its prefix. */
public final class Typed {
  private String text = "";
  private boolean practice;
  private int moved;

  /** Gives the text. */
  public String text() {
    return text;
  }

  /** Tells whether nothing is typed. */
  public boolean isEmpty() {
    return text.isEmpty();
  }

  /** Takes a text that was typed. */
  public void type(String now) {
    practice = practice && now.equals(text);
    text = now;
    moved = now.isEmpty() ? 0 : moved;
  }

  /** Takes a text that the practice bench shows. */
  public void show(String shown) {
    type(shown);
    practice = true;
  }

  /** Empties the field. */
  public void clear() {
    type("");
  }

  /** Tells whether the text is what the practice bench showed, untouched. */
  public boolean isPractice() {
    return practice;
  }

  /** Goes to the next prefix that the number may have. */
  public void nextPrefix() {
    moved++;
  }

  /** Gives how often the prefix was changed. */
  public int moved() {
    return moved;
  }
}
