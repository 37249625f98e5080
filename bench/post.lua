wrk.method = "POST"
wrk.body = '{"from":1,"to":2,"litres":12.50,"movedAt":"2024-05-31T17:30:00","movedBy":1,"reason":"racking"}'
wrk.headers["Content-Type"] = "application/json"
