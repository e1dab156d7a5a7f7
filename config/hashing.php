<?php

declare(strict_types=1);

return [
    // Argon2id with the least that the OWASP Password Storage Cheat Sheet names (19 MiB, two passes, one lane); bcrypt
    // reads 72 bytes only.
    'driver' => 'argon2id',
    'argon' => ['memory' => 19_456, 'time' => 2, 'threads' => 1, 'verify' => false],
    // Of hashes made before.
    'bcrypt' => ['rounds' => 12, 'verify' => false],
    'rehash_on_login' => false,
];
