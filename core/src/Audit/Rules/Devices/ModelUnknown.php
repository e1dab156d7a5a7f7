<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Devices;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Device;
use Jaunty\Core\Telephones\Model;

/** A telephone of which nobody knows what it can do. */
final readonly class ModelUnknown implements Rule
{
    public function about(): About
    {
        return new About('devices.model-unknown', Severity::Note);
    }

    public function check(Inspection $inspection): iterable
    {
        $models = array_column(Model::shipped(), null, 'key');
        foreach ($inspection->book->all(Device::class) as $device) {
            if ($device->model !== null && ! isset($models[$device->model])) {
                yield Found::of(['device' => $device->name, 'model' => $device->model], $device)->at('model');
            }
        }
    }
}
