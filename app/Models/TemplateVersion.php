<?php

declare(strict_types=1);

namespace App\Models;

use Jaunty\Core\Templates\Template;

/**
 * @property string $id
 * @property string $template_id
 * @property int $no
 * @property string $body the template as JSON text
 */
final class TemplateVersion extends Row
{
    protected $table = 'template_versions';

    public function template(): Template
    {
        return Template::fromJson($this->body);
    }
}
