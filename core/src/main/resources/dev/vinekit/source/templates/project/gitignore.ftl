target/
