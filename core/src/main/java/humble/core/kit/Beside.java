package humble.core.kit;

import java.util.List;
import java.util.stream.Stream;

/**
 * What stands beside the programs of a kit and has to be right too.
 *
 * @param channels tables of channels
 * @param cards what lies on a memory card, and where
 * @param pages pages that modules show, with what is typed there
 * @param libraries what a program is made with
 */
public record Beside(
    List<Channels> channels,
    List<CardFolder> cards,
    List<ModulePage> pages,
    List<Library> libraries) {
  /** Nothing. */
  public static final Beside NOTHING = new Beside(List.of(), List.of(), List.of(), List.of());

  public Beside {
    channels = List.copyOf(channels);
    cards = List.copyOf(cards);
    pages = List.copyOf(pages);
    libraries = List.copyOf(libraries);
  }

  /** Gives the names of what has to be done; a library is only looked at. */
  public List<String> ids() {
    return Stream.of(
            channels.stream().map(Channels::id),
            cards.stream().map(CardFolder::id),
            pages.stream().map(ModulePage::id))
        .flatMap(each -> each)
        .toList();
  }

  /** Tells whether there is nothing. */
  public boolean isEmpty() {
    return equals(NOTHING);
  }
}
