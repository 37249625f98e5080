CREATE TABLE harvest (
    parcel_id INT NOT NULL REFERENCES parcel (id) ON DELETE CASCADE,
    picked_on DATE NOT NULL,
    kilograms INT NOT NULL CHECK (kilograms BETWEEN 1 AND 40000),
    PRIMARY KEY (parcel_id, picked_on)
);
