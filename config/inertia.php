<?php

declare(strict_types=1);

return [
    // it would write every page with all that is on it, names and findings, to a folder beside the database, and take a tenth of a second for it
    'devtools' => ['enabled' => false],
];
