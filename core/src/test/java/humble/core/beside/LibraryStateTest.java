package humble.core.beside;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;

class LibraryStateTest {
  private static final String A = "a".repeat(64);
  private static final String B = "b".repeat(64);

  private static LibraryState state(Map<String, String> files) {
    return new LibraryState(new TreeMap<>(files));
  }

  @Test
  void whatHasChangedIsNamedAndItsTextComesBack() {
    LibraryState before = state(Map.of("src/set up.h", A, "gone.h", A, "same.h", A));
    LibraryState now = state(Map.of("src/set up.h", B, "new.h", A, "same.h", A));
    LibraryState.Change change = now.since(before);
    assertThat(change.changed()).containsExactly("src/set up.h");
    assertThat(change.added()).containsExactly("new.h");
    assertThat(change.removed()).containsExactly("gone.h");
    assertThat(now.since(now).isNone()).isTrue();
    assertThat(LibraryState.read(before.text())).isEqualTo(new LibraryState.Read.Whole(before));
    assertThat(LibraryState.read(A + " *b.h\n" + A.substring(1) + "  c\n"))
        .isEqualTo(new LibraryState.Read.Unreadable(2));
  }
}
