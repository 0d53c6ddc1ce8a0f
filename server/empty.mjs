// What a package says only to the framework says nothing here.
