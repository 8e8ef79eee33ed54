-- The limit of a slug stood among those of wording; it stands among those of pages now, and what somebody set stays.
update property set own_standard =
    '{"pages":{"maxSlugChars":'
    || regexp_replace(own_standard, '^.*"wording":\{[^}]*"maxSlugChars":(\d+).*$', '$1')
    || '},'
    || substring(
        regexp_replace(regexp_replace(own_standard, ',"maxSlugChars":\d+', ''), '"maxSlugChars":\d+,?', ''),
        2)
where regexp_like(own_standard, '"wording":\{[^}]*"maxSlugChars":\d+');
