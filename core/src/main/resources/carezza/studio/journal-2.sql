-- Exercises and tests of the eye.
CREATE TABLE practice (
  at INTEGER NOT NULL,
  kind TEXT NOT NULL,
  subject TEXT NOT NULL,
  seed INTEGER NOT NULL,
  value REAL NOT NULL,
  spread REAL,
  active INTEGER NOT NULL
);
CREATE INDEX practice_by_time ON practice (at);
