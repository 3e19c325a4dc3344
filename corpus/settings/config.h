#ifndef C_H
#define C_H
#define SCREEN_A
// #define SCREEN_B
#define RATE (50UL) /* Hz */
#define NAME "a /* b */ // c" // d
#if 0
#define RATE 3
#endif
/* #define SCREEN_C */
#define LONG 1 + \
  2
#endif
