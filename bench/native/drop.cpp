// The single-body drop of core/fall, written plainly: Kirchhoff's equations, the same loads, classical Runge-Kutta with a fixed step.
// Reads a packed body from standard input (bench/native.ts writes it), drops it `repeats` times and prints the fall time and the best run in ms.
#include <chrono>
#include <cmath>
#include <cstdio>
#include <vector>

struct Body {
  double rho, mu, mass, displaced, length, cb[3], tie[3], inertia[36], inverse[36], added[36];
  std::vector<double> strips, straight, compacts, outline;
  double lineDiameter, lineBow, crossDrag, axialDrag, eta, etaRoll, tailLift, lopsided, noseX, depth, step;
};
static Body B;
static const double G = 9.80665;

static double sphereCd(double re) { double r = std::fmax(re, 1e-3); return 24 / r * (1 + 0.15 * std::pow(r, 0.681)) + 0.407 / (1 + 8710 / r); }

static void addAt(double *out, double x, double y, double z, double fx, double fy, double fz) {
  out[0] += fx; out[1] += fy; out[2] += fz;
  out[3] += y * fz - z * fy; out[4] += z * fx - x * fz; out[5] += x * fy - y * fx;
}

static void loads(const double *v, const double *up, double tieDepth, double *out) {
  double net = (B.displaced - B.mass) * G, lift = B.displaced * G;
  out[0] = net * up[0]; out[1] = net * up[1]; out[2] = net * up[2];
  out[3] = lift * (B.cb[1] * up[2] - B.cb[2] * up[1]);
  out[4] = lift * (B.cb[2] * up[0] - B.cb[0] * up[2]);
  out[5] = lift * (B.cb[0] * up[1] - B.cb[1] * up[0]);
  double perV = B.rho / B.mu, speed = std::sqrt(v[0] * v[0] + v[1] * v[1] + v[2] * v[2]);
  double cf = std::fmin(1, 1.328 / std::sqrt(std::fmax(perV * speed * B.length, 1e-3)));
  double friction = -0.5 * B.rho * B.axialDrag * cf * speed, cross = 0.5 * B.rho * B.crossDrag;
  for (size_t i = 0; i < B.strips.size(); i += 17) {
    const double *s = &B.strips[i];
    double x = s[0], y = s[1], z = s[2];
    double lx = v[0] + v[4] * z - v[5] * y, ly = v[1] + v[5] * x - v[3] * z, lz = v[2] + v[3] * y - v[4] * x;
    double along = lx * s[3] + ly * s[4] + lz * s[5], side = lx * s[6] + ly * s[7] + lz * s[8], rise = lx * s[9] + ly * s[10] + lz * s[11];
    double across2 = side * side + rise * rise, fs = 0, fr = 0;
    if (across2 > 1e-18) {
      double re2 = perV * perV * (s[14] * side * side + s[15] * rise * rise);
      double drag = -cross * (1 + 10 / std::cbrt(std::fmax(re2, 1e-6))) * std::sqrt(across2);
      fs = drag * s[12] * side; fr = drag * s[13] * rise;
      if (B.lopsided != 0) {
        double both = 2 * along * std::sqrt(across2) / (along * along + across2), keep = fs;
        double turned = B.lopsided * both * both * both * both * std::fmax(0, 1 + (x - B.noseX) / B.length);
        fs -= turned * fr; fr += turned * keep;
      }
    }
    double fa = friction * s[16] * along;
    addAt(out, x, y, z, fa * s[3] + fs * s[6] + fr * s[9], fa * s[4] + fs * s[7] + fr * s[10], fa * s[5] + fs * s[8] + fr * s[11]);
  }
  for (size_t i = 0; i < B.straight.size(); i += 7) {
    const double *s = &B.straight[i];
    double x = s[0], z = s[1], side = v[1] + v[5] * x - v[3] * z, rise = v[2] - v[4] * x;
    double side2 = side * side, rise2 = rise * rise, fx = friction * s[6] * (v[0] + v[4] * z), fy = 0, fz = 0;
    if (side2 + rise2 > 1e-18) {
      double drag = -cross * (1 + 10 / std::cbrt(std::fmax(perV * perV * (s[4] * side2 + s[5] * rise2), 1e-6))) * std::sqrt(side2 + rise2);
      fy = drag * s[2] * side; fz = drag * s[3] * rise;
    }
    addAt(out, x, 0, z, fx, fy, fz);
  }
  for (size_t i = 0; i < B.compacts.size(); i += 11) {
    const double *c = &B.compacts[i];
    double x = c[0], y = c[1], z = c[2];
    double lx = v[0] + v[4] * z - v[5] * y, ly = v[1] + v[5] * x - v[3] * z, lz = v[2] + v[3] * y - v[4] * x;
    double s = std::sqrt(lx * lx + ly * ly + lz * lz);
    if (!(s > 1e-9)) continue;
    double drag = -0.5 * B.rho * (c[6] > 0 ? sphereCd(perV * s * c[6]) : 1) * s, across = drag * B.crossDrag;
    double along = c[7] * lx + c[8] * ly, aside = c[7] * ly - c[8] * lx, lift = -B.rho * B.tailLift * std::fabs(along);
    double fx = drag * B.axialDrag * c[3] * along, fy = (across * c[4] + lift * c[9]) * aside;
    addAt(out, x, y, z, c[7] * fx - c[8] * fy, c[8] * fx + c[7] * fy, (across * c[5] + lift * c[10]) * lz);
  }
  double p[3] = {0, 0, 0};
  for (int r = 0; r < 3; r++) for (int k = 0; k < 6; k++) p[r] += B.added[6 * r + k] * v[k];
  out[3] -= (1 - B.etaRoll) * (p[1] * v[2] - p[2] * v[1]);
  out[4] -= (1 - B.eta) * (p[2] * v[0] - p[0] * v[2]);
  out[5] -= (1 - B.eta) * (p[0] * v[1] - p[1] * v[0]);
  double x = B.tie[0], y = B.tie[1], z = B.tie[2];
  double lx = v[0] + v[4] * z - v[5] * y, ly = v[1] + v[5] * x - v[3] * z, lz = v[2] + v[3] * y - v[4] * x;
  double s = std::sqrt(lx * lx + ly * ly + lz * lz);
  if (!(tieDepth > 0 && s > 0)) return;
  double a = B.lineDiameter / 2, xi = B.mu / B.rho * (tieDepth / 2) / (s * a * a);
  double k = -(4 * M_PI * B.mu * tieDepth / std::log(2 + 4 * xi) + 0.5 * B.rho * (1 + 10 / std::cbrt(std::pow(std::fmax(B.rho * s * B.lineDiameter / B.mu, 1e-3), 2))) * B.lineDiameter * tieDepth * B.lineBow * s);
  addAt(out, x, y, z, k * lx, k * ly, k * lz);
}

static void rate(const double *y, double *dy) {
  double v[6];
  for (int i = 0; i < 6; i++) { v[i] = 0; for (int k = 0; k < 6; k++) v[i] += B.inverse[6 * i + k] * y[7 + k]; }
  double w = y[3], x = y[4], yy = y[5], z = y[6], two = 2 / (w * w + x * x + yy * yy + z * z);
  double up[3] = {two * (x * z - w * yy), two * (yy * z + w * x), 1 - two * (x * x + yy * yy)}, f[6];
  loads(v, up, -(y[2] + up[0] * B.tie[0] + up[1] * B.tie[1] + up[2] * B.tie[2]), f);
  dy[0] = (1 - two * (yy * yy + z * z)) * v[0] + two * (x * yy - w * z) * v[1] + two * (x * z + w * yy) * v[2];
  dy[1] = two * (x * yy + w * z) * v[0] + (1 - two * (x * x + z * z)) * v[1] + two * (yy * z - w * x) * v[2];
  dy[2] = up[0] * v[0] + up[1] * v[1] + up[2] * v[2];
  double wx = v[3], wy = v[4], wz = v[5];
  dy[3] = 0.5 * (-x * wx - yy * wy - z * wz); dy[4] = 0.5 * (w * wx + yy * wz - z * wy);
  dy[5] = 0.5 * (w * wy + z * wx - x * wz); dy[6] = 0.5 * (w * wz + x * wy - yy * wx);
  const double *p = y + 7, *h = y + 10;
  dy[7] = p[1] * wz - p[2] * wy + f[0]; dy[8] = p[2] * wx - p[0] * wz + f[1]; dy[9] = p[0] * wy - p[1] * wx + f[2];
  dy[10] = h[1] * wz - h[2] * wy + p[1] * v[2] - p[2] * v[1] + f[3];
  dy[11] = h[2] * wx - h[0] * wz + p[2] * v[0] - p[0] * v[2] + f[4];
  dy[12] = h[0] * wy - h[1] * wx + p[0] * v[1] - p[1] * v[0] + f[5];
}

static void advance(double *y, double h) {
  double k1[13], k2[13], k3[13], k4[13], q[13];
  rate(y, k1); for (int i = 0; i < 13; i++) q[i] = y[i] + h / 2 * k1[i];
  rate(q, k2); for (int i = 0; i < 13; i++) q[i] = y[i] + h / 2 * k2[i];
  rate(q, k3); for (int i = 0; i < 13; i++) q[i] = y[i] + h * k3[i];
  rate(q, k4); for (int i = 0; i < 13; i++) y[i] += h / 6 * (k1[i] + 2 * k2[i] + 2 * k3[i] + k4[i]);
  double n = std::sqrt(y[3] * y[3] + y[4] * y[4] + y[5] * y[5] + y[6] * y[6]);
  for (int i = 3; i < 7; i++) y[i] /= n;
}

static double lowest(const double *y) {
  double w = y[3], x = y[4], yy = y[5], z = y[6];
  double ux = 2 * (x * z - w * yy), uy = 2 * (yy * z + w * x), uz = 1 - 2 * (x * x + yy * yy), low = 1e9;
  for (size_t i = 0; i < B.outline.size(); i += 3) low = std::fmin(low, ux * B.outline[i] + uy * B.outline[i + 1] + uz * B.outline[i + 2]);
  return y[2] + low;
}

static double drop(const double *start) {
  double y[13];
  for (int i = 0; i < 13; i++) y[i] = start[i];
  for (int n = 1; n < 100000; n++) {
    advance(y, B.step);
    if (y[2] - B.length < -B.depth && lowest(y) <= -B.depth) return n * B.step;
  }
  return -1;
}

static double number() { double x = 0; if (std::scanf("%lf", &x) != 1) x = 0; return x; }
static void fill(double *to, int n) { for (int i = 0; i < n; i++) to[i] = number(); }
static std::vector<double> list() { std::vector<double> v(static_cast<size_t>(number())); for (double &x : v) x = number(); return v; }

int main() {
  int repeats = static_cast<int>(number());
  double start[13];
  fill(start, 13);
  B.rho = number(); B.mu = number(); B.mass = number(); B.displaced = number(); B.length = number();
  fill(B.cb, 3); fill(B.tie, 3); fill(B.inverse, 36); fill(B.added, 36);
  B.lineDiameter = number(); B.lineBow = number(); B.crossDrag = number(); B.axialDrag = number(); B.eta = number(); B.etaRoll = number();
  B.tailLift = number(); B.lopsided = number(); B.noseX = number();
  B.depth = number(); B.step = number();
  B.strips = list(); B.straight = list(); B.compacts = list(); B.outline = list();
  double best = 1e9, time = 0;
  for (int i = 0; i < repeats; i++) {
    auto begun = std::chrono::steady_clock::now();
    time = drop(start);
    best = std::fmin(best, std::chrono::duration<double, std::milli>(std::chrono::steady_clock::now() - begun).count());
  }
  std::printf("%.6f %.6f\n", time, best);
}
