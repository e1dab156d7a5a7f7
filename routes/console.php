<?php

declare(strict_types=1);

// Commands are classes under app/Console; nothing is scheduled yet.
