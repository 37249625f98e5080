INSERT INTO grower (id, name, village) VALUES (7, 'Ada Feld', 'Unterbach'), (8, 'Bo Lind', NULL);
INSERT INTO delivery (grower_id, kilograms, sugar, delivered_on)
VALUES (7, 700, 88.0, '2026-09-20'), (7, 800, NULL, '2026-09-21'), (8, 20000, 150.0, '2026-09-21');
