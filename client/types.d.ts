/// <reference types="expo/types" />
