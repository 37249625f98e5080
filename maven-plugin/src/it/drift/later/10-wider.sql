ALTER TABLE pressing ADD COLUMN litres INT;
