/* The same step as core/forecast/kernel.ts, for comparison. Prints nanoseconds a step. */
#include <stdio.h>
#include <time.h>
typedef struct { double muA, muN, ka, kn, lag, rotFood, rotSlow, loss, decay, max, kiA, kiN; } P;
static void advance(double *s, double dt, int steps, const P *p, double warmth, double gA, double gN) {
  double food = s[0], slow = s[1], a = s[2], n = s[3], r = s[4], x = s[5], y = s[6], kh = s[7], feed = s[8] * dt, since = s[9];
  double ka = p->ka, kn = p->kn, keepFood = 1 / (1 + p->rotFood * dt), keepSlow = 1 / (1 + p->rotSlow * dt), keepNitrate = 1 / (1 + p->loss * dt);
  double keepAlive = 1 / (1 + p->decay * dt), perMax = 1 / p->max, iA = 1 / p->kiA, iN = 1 / p->kiN, growA = p->muA * gA * warmth, growN = p->muN * gN * warmth;
  for (int i = 0; i < steps; i++) {
    double k2 = kh * kh, b = dt * k2 / (k2 + 2.25), nf = food * keepFood, ns = slow * keepSlow, a0 = a + food - nf + slow - ns + feed;
    food = nf; slow = ns;
    double ua = b * x, da = ka + a0 + a0 * a0 * iA, am = a0 * da / (da + 0.5 * ua), u = ua / (ka + am + am * am * iA), a1 = a0 / (1 + u + 0.5 * u * u), oxA = a0 - a1;
    double un = 64 * b * y / (64 + am * am), nh = n + 0.5 * oxA, dn = kn + nh + nh * nh * iN, nm = nh * dn / (dn + 0.5 * un), v = un / (kn + nm + nm * nm * iN);
    double n1 = n / (1 + v + 0.5 * v * v) + oxA / (1 + 0.5 * v + 0.125 * v * v), oxN = n + oxA - n1;
    a = a1; n = n1; r = (r + oxN) * keepNitrate; since += dt;
    double lag = since < p->lag ? 0.1 : 1, rA = 1 - x * perMax, rN = 1 - y * perMax;
    x = (x + (rA > 0 ? growA * lag * oxA * rA : 0)) * keepAlive;
    y = (y + (rN > 0 ? growN * lag * oxN * rN : 0)) * keepAlive;
    kh -= 0.4 * oxA; if (kh < 0) kh = 0;
  }
  s[0] = food; s[1] = slow; s[2] = a; s[3] = n; s[4] = r; s[5] = x; s[6] = y; s[7] = kh; s[9] = since;
}
int main(void) {
  P p = {0.6, 0.45, 0.3, 0.3, 1, 0.3, 0.2, 0.006, 0.03, 15, 14, 20};
  double sum = 0, best = 1e9;
  for (int round = 0; round < 7; round++) {
    struct timespec a, b;
    clock_gettime(CLOCK_MONOTONIC, &a);
    for (int run = 0; run < 20000; run++) {
      double s[10] = {1, 0.3, 1.5, 0.1, 0, 0.1 + run * 1e-7, 0.05, 9, 0.01, 0};
      advance(s, 0.125, 480, &p, 1, 1, 1);
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
