<?php

return ['default' => 'array'];
