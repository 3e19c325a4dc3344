package humble.desktop.draw;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.EnumMap;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javafx.scene.paint.Color;

/**
 * The colours of one theme, read from the style sheet that defines them, so that pictures and
 * controls agree.
 */
public final class Palette {
  private static final Pattern RULE = Pattern.compile("(-hc-[a-z-]+):\\s*(#[0-9a-f]{6})");

  private final Map<Token, Color> colours = new EnumMap<>(Token.class);

  private Palette() {}

  /**
   * Reads the palette of a theme.
   *
   * @param theme {@code day} or {@code night}
   * @throws IllegalStateException when the style sheet lacks a token
   */
  public static Palette of(String theme) {
    Palette palette = new Palette();
    String css = text("/humble/desktop/" + theme + ".css");
    Matcher matcher = RULE.matcher(css);
    Map<String, Color> found = new java.util.HashMap<>();
    while (matcher.find()) {
      found.put(matcher.group(1), Color.web(matcher.group(2)));
    }
    for (Token token : Token.values()) {
      Color colour = found.get(token.css());
      if (colour == null) {
        throw new IllegalStateException("the theme " + theme + " lacks " + token.css());
      }
      palette.colours.put(token, colour);
    }
    return palette;
  }

  /** Gives the colour of a token. */
  public Color of(Token token) {
    return colours.getOrDefault(token, Color.MAGENTA);
  }

  private static String text(String resource) {
    try (InputStream in = Palette.class.getResourceAsStream(resource)) {
      if (in == null) {
        throw new IllegalStateException("there is no " + resource);
      }
      return new String(in.readAllBytes(), StandardCharsets.UTF_8);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
