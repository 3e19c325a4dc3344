/*
 * Settings of the tide game. Change them before the program is made.
 */
#ifndef TIDE_CONFIG_H
#define TIDE_CONFIG_H

/* The screen in the bag: exactly one. The label on its back says which. */
#define SCREEN_ROUND_CORNERS
// #define SCREEN_SQUARE_CORNERS
// #define SCREEN_CUT_CORNER

/* The first note of the tune, in hertz. */
#define FIRST_NOTE_HZ	880	// as the kit's tone test

/* After so many minutes without a key it sleeps. */
#define SLEEP_MIN 10

/* Shown on the title page. */
#define OWNER_NAME ""

#endif
