CREATE TABLE pressing (
    delivery_id INT PRIMARY KEY REFERENCES delivery (id) ON DELETE CASCADE,
    litres INT NOT NULL CHECK (litres > 0),
    pressed_at TIMESTAMP NOT NULL
);
