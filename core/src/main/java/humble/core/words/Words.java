package humble.core.words;

import java.text.MessageFormat;
import java.util.List;
import java.util.Locale;
import java.util.MissingResourceException;
import java.util.ResourceBundle;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;

/** Puts {@link Phrase phrases} into words by a resource bundle; lists are joined with commas. */
public final class Words {
  private final ResourceBundle bundle;
  private final Locale locale;
  private final UnaryOperator<String> names;

  private Words(ResourceBundle bundle, Locale locale, UnaryOperator<String> names) {
    this.bundle = bundle;
    this.locale = locale;
    this.names = names;
  }

  /** Gives the same words, which put every text that is handed to them through {@code names}. */
  public Words naming(UnaryOperator<String> names) {
    return new Words(bundle, locale, names);
  }

  /** Gives the core's own words in {@code locale}. */
  public static Words core(Locale locale) {
    return of("humble.core.words.words", locale);
  }

  /**
   * Gives the words of the bundle {@code baseName} in {@code locale}.
   *
   * @throws MissingResourceException when there is no such bundle
   */
  public static Words of(String baseName, Locale locale) {
    return new Words(ResourceBundle.getBundle(baseName, locale), locale, text -> text);
  }

  /** Says {@code phrase}. */
  public String say(Phrase phrase) {
    return say(phrase.key(), phrase.arguments().toArray());
  }

  /** Says {@code phrase} as a sentence of its own: with a capital letter and a full stop. */
  public String sentence(Phrase phrase) {
    String said = say(phrase);
    return said.isEmpty()
        ? said
        : said.substring(0, 1).toUpperCase(locale) + said.substring(1) + ".";
  }

  /**
   * Says the sentence of {@code key} with {@code arguments}.
   *
   * @throws MissingResourceException when the bundle lacks the key
   */
  public String say(String key, Object... arguments) {
    Object[] said = new Object[arguments.length];
    for (int i = 0; i < arguments.length; i++) {
      said[i] = argument(arguments[i]);
    }
    return new MessageFormat(bundle.getString(key), locale).format(said);
  }

  /** Tells whether the bundle has {@code key}. */
  public boolean knows(String key) {
    return bundle.containsKey(key);
  }

  private Object argument(Object argument) {
    return switch (argument) {
      case Phrase phrase -> say(phrase);
      case String text -> names.apply(text);
      case List<?> list ->
          list.stream()
              .map(each -> String.valueOf(argument(each)))
              .collect(Collectors.joining(", "));
      case Enum<?> name -> name.name().toLowerCase(Locale.ROOT);
      default -> argument;
    };
  }
}
