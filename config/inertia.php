<?php

declare(strict_types=1);

return [
    // what a page showed does not stay readable in the history of the browser after signing out
    'history' => ['encrypt' => true],
    // it would write every page with all that is on it, names and findings, to a folder beside the database, and take a tenth of a second
    // for it
    'devtools' => ['enabled' => false],
];
