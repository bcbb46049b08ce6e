/* The same step as core/forecast/kernel.ts, for comparison. Prints nanoseconds a step. */
#include <stdio.h>
#include <time.h>
typedef struct { double muA, muN, ka, kn, lag, rotFood, rotSlow, loss, decay, max; } P;
static void step(double *s, double dt, const P *p, double warmth, double gA, double gN) {
  double kh = s[7], b = (kh * kh) / (kh * kh + 2.25);
  double food = s[0] / (1 + p->rotFood * dt), slow = s[1] / (1 + p->rotSlow * dt);
  double a0 = s[2] + s[0] - food + s[1] - slow + s[8] * dt;
  s[0] = food; s[1] = slow;
  double x = s[5], y = s[6], ua = dt * b * x, am = a0 / (1 + 0.5 * ua / (p->ka + a0)), u = ua / (p->ka + am);
  double a1 = a0 / (1 + u + 0.5 * u * u), oxA = a0 - a1, n = s[3], held = 64 / (64 + am * am), un = dt * b * held * y;
  double nm = (n + 0.5 * oxA) / (1 + 0.5 * un / (p->kn + n + 0.5 * oxA)), v = un / (p->kn + nm);
  double n1 = n / (1 + v + 0.5 * v * v) + oxA / (1 + 0.5 * v + 0.125 * v * v), oxN = n + oxA - n1;
  s[2] = a1; s[3] = n1; s[4] = (s[4] + oxN) / (1 + p->loss * dt); s[9] += dt;
  double lag = s[9] < p->lag ? 0.1 : 1, rA = 1 - x / p->max, rN = 1 - y / p->max;
  s[5] = (x + (rA > 0 ? p->muA * gA * warmth * lag * oxA * rA : 0)) / (1 + p->decay * dt);
  s[6] = (y + (rN > 0 ? p->muN * gN * warmth * lag * oxN * rN : 0)) / (1 + p->decay * dt);
  double left = kh - 0.4 * oxA; s[7] = left > 0 ? left : 0;
}
int main(void) {
  P p = {0.6, 0.45, 0.3, 0.3, 1, 0.3, 0.2, 0.006, 0.03, 15};
  double sum = 0, best = 1e9;
  for (int round = 0; round < 7; round++) {
    struct timespec a, b;
    clock_gettime(CLOCK_MONOTONIC, &a);
    for (int run = 0; run < 20000; run++) {
      double s[10] = {1, 0.3, 1.5, 0.1, 0, 0.1 + run * 1e-7, 0.05, 9, 0.01, 0};
      for (int i = 0; i < 480; i++) step(s, 0.125, &p, 1, 1, 1);
      sum += s[3];
    }
    clock_gettime(CLOCK_MONOTONIC, &b);
    double ns = ((b.tv_sec - a.tv_sec) * 1e9 + (b.tv_nsec - a.tv_nsec)) / (20000.0 * 480);
    if (ns < best) best = ns;
  }
  fprintf(stderr, "%g\n", sum);
  printf("%.2f\n", best);
  return 0;
}
