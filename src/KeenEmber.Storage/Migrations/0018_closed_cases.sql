-- Root causes of all sign-offs are counted as the company's own odds of causes.
CREATE INDEX entry_of_sign_off ON entry (visit_id, at) WHERE kind = 'sign-off';
