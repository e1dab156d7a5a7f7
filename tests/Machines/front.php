<?php

declare(strict_types=1);

// What PHP's own server asks for everything: the application, whose files nobody asks for here.
require __DIR__ . '/../../public/index.php';
