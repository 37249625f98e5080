INSERT INTO parcel (name, soil_code, hectares) VALUES ('Steep corner', 'SL', 0.8);
