/** Mending: symptom, suspects, the measurement worth making next, and what it was. */
@NullMarked
package humble.desktop.mend;

import org.jspecify.annotations.NullMarked;
